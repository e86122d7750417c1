/** What a mesh and its home view give to everybody: the context of commands, hull points, the default home view. */
export * from './model';
