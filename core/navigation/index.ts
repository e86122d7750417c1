/** Every way a view or a scene can change: one table of commands, one pure function. */
export * from './apply';
export type { Command, CommandKind, Selection, Style, Visibility } from './command';
export * from './context';
export * from './holds';
export * from './meaningless';
export * from './navigate';
export * from './recall';
export * from './scene';
export * from './standAt';
