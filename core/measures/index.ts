/** How far one thing is from another: views, framings, pictures, cuts, paths. Knows no exercise. */
export * from './framing';
export * from './lost';
export * from './orientation';
export * from './outlines';
export * from './paths';
export * from './pictures';
export * from './recovered';
export * from './section';
export * from './seen';
export * from './seenPicture';
export * from './sparc';
