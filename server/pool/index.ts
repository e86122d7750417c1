/** Threads for heavy work: scoring, reading of models, hulls, passwords. The main thread only asks. */
export type { ModelInput, ReadModel, Scored } from './jobs';
export * from './pool';
export type { MeshBytes } from './sharedMesh';
