/** How close an attempt came: criteria, points, score cards. */
export * from './calls';
export * from './coarse';
export * from './details';
export * from './evidence';
export * from './followed';
export * from './framing';
export * from './measure';
export * from './model';
export * from './orientation';
export * from './paths';
export * from './pictures';
export * from './points';
export * from './scoreAttempt';
export * from './section';
export * from './sparc';
