/** An attempt looked at again: what it showed at any moment, what is worth a look, how close it was over time. Knows no screen. */
export * from './curves';
export * from './folding';
export * from './gestures';
export * from './moment';
export * from './moments';
export * from './momentWords';
export * from './player';
export * from './prompts';
export * from './replayed';
