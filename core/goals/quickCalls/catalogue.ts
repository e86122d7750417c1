import type { QuickCall } from '../../criteria';

/** Gestures that can be called, in the order in which they are offered. */
export const CALLABLE: readonly QuickCall[] = [
  { kind: 'orbit', dx: -1 },
  { kind: 'orbit', dx: 1 },
  { kind: 'orbit', dy: 1 },
  { kind: 'orbit', dy: -1 },
  { kind: 'pan', dx: 1 },
  { kind: 'pan', dx: -1 },
  { kind: 'pan', dy: -1 },
  { kind: 'pan', dy: 1 },
  { kind: 'zoom', factor: 2 },
  { kind: 'zoom', factor: 0.5 },
  { kind: 'roll', angle: -1 },
  { kind: 'roll', angle: 1 },
  { kind: 'fit', what: 'all' },
  { kind: 'home' },
  { kind: 'level' },
  { kind: 'standard', name: 'front' },
  { kind: 'standard', name: 'right' },
  { kind: 'standard', name: 'rear' },
  { kind: 'standard', name: 'left' },
  { kind: 'standard', name: 'top' },
  { kind: 'standard', name: 'bottom' },
  { kind: 'opposite' },
  { kind: 'projection' },
];
