/** From what a hand does to commands: schemes as data, and devices' reports. */
export * from './acceleration';
export * from './axes';
export * from './bindings';
export * from './cardGroups';
export * from './commandKindsOf';
export * from './conflicts';
export * from './editing';
export * from './exampleGesture';
export * from './gesture';
export * from './multiAxis';
export * from './pivot';
export * from './resample';
export * from './resolve';
export type { Action, Aid, Binding, Device, Modifier, PivotRule, Scheme, SchemeFamily, Trigger } from './schemeSchema';
export * from './schemes';
export * from './sentScheme';
export * from './shortcuts';
export * from './words';
