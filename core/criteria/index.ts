/** What attempts are judged by: one entry a criterion, with how it is measured and what is advised. Knows no goal and no score. */
export * from './advice';
export * from './aim';
export type { Call } from './call';
export * from './callResults';
export { calledWords } from './calls';
export * from './criterion';
export type { Criterion } from './criterionSchema';
export * from './evidence';
export * from './figures';
export * from './followedPath';
export { detourOf, gestureCounts, lostSeconds, wayBetween } from './hand';
export * from './measured';
export { sceneAfter } from './moved';
export * from './points';
export type { QuickCall } from './quickCall';
export * from './quickResults';
export { isRecovered, shortestWayBack } from './recover';
export * from './registry';
