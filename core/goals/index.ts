/** What a step can ask for: one folder a kind of goal. Simulated hands and what cards draw are imported by those who use them. */

export * from './aims';
export * from './foldTask';
export * from './goalKind';
export * from './kinds';
export * from './storyPicture';
export * from './tasks';
