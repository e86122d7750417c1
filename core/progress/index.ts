/** What many attempts tell: lines, learning curves, levels. */
export * from './habits';
export * from './learningCurve';
export * from './level';
export * from './regress';
export * from './slips';
