/** Every way a view or a scene can change: one table of commands, one pure function. */
export * from './apply';
export type { Command, CommandKind, Selection, Style, Visibility } from './command';
export * from './commandsToRecall';
export * from './commandsToStand';
export * from './commandTable';
export * from './context';
export * from './navigate';
export * from './noEffectReason';
export * from './scene';
