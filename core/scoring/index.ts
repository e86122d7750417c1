/** How close an attempt came: what each criterion earned over the start, score cards, what a card draws. */
export * from './calibrate';
export * from './cardDetails';
export * from './coarse';
export * from './evidence';
export * from './examine';
export * from './judgeNow';
export * from './points';
export * from './reachable';
export * from './scoreAttempt';
export * from './startPoints';
export * from './startValues';
export * from './upcastCard';
