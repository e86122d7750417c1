/** Bytes in, models out, and back; the same code in the browser's worker and on the server. */
export * from './formatError';
export * from './meshFile';
export * from './openMesh';
export * from './placeMesh';
export * from './puckScript';
export * from './readModel';
export * from './schemeFile';
export * from './writeGlb';
