/** What many attempts tell: levels, when to practise again, learning curves, who needs a word. */
export * from './concerns';
export * from './days';
export * from './forecast';
export * from './habits';
export * from './health';
export * from './learningCurve';
export * from './level';
export * from './regress';
export * from './schedule';
export * from './schemesCompared';
export * from './slips';
export * from './today';
