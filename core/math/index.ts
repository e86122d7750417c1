/** Numbers: vectors, rotations, functions with one answer in every engine, seeded random numbers. */
export * as exact from './exact';
export * from './groupedBy';
export * from './median';
export * from './quat';
export * from './random';
export * from './symmetric';
export * from './vec3';
