import type { QuickCall } from '../criteria';
import { KIND_WORDS } from '../input';
import { type StandardName, viewWords } from '../view';

const WAYS: readonly (readonly [kind: QuickCall['kind'], argument: string, more: string, less: string])[] = [
  ['orbit', 'dx', 'round to the left', 'round to the right'],
  ['orbit', 'dy', 'higher', 'lower'],
  ['pan', 'dx', 'slide the model right', 'slide the model left'],
  ['pan', 'dy', 'slide the model down', 'slide the model up'],
  ['roll', 'angle', 'roll anticlockwise', 'roll clockwise'],
];

/** What is the larger of two ways: a call names one, a gesture may hold both. */
const larger = (call: QuickCall, argument: string): boolean => {
  const other = argument === 'dx' ? call.dy : argument === 'dy' ? call.dx : 0;
  return Math.abs(Number(call[argument])) >= Math.abs(Number(other ?? 0));
};

/** A gesture as it is called out, or as it was made. */
export function quickWords(call: QuickCall): string {
  for (const [kind, argument, more, less] of WAYS) {
    const value = call[argument];
    if (call.kind === kind && typeof value === 'number' && value !== 0 && larger(call, argument)) return value > 0 ? more : less;
  }
  if (call.kind === 'zoom' && typeof call.factor === 'number') return call.factor > 1 ? 'closer' : 'farther';
  if (call.kind === 'standard') return `the ${viewWords(call.name as StandardName)}`;
  if (call.kind === 'fit') return call.what === 'selection' ? 'fit what is picked' : 'fit all';
  return KIND_WORDS[call.kind];
}
