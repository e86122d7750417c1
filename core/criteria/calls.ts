import { median } from '../math';
import { type Advice, advice, type CalledWords } from './advice';
import type { Call } from './call';
import type { CallResult } from './callResults';
import type { CriterionSpec } from './criterion';
import type { Measured } from './measured';

const DEGREE = Math.PI / 180;

const mean = (values: readonly number[]): number | null => (values.length === 0 ? null : values.reduce((sum, v) => sum + v, 0) / values.length);

export const calledWords = (call: Call): CalledWords =>
  call.kind === 'standard' ? { kind: 'standard', name: call.name } : call.kind === 'face' ? { kind: 'face', name: call.name } : { kind: 'opposite' };

function worstCall(calls: readonly CallResult[]): Advice {
  const worst = [...calls].sort((a, b) => b.error - a.error)[0];
  return worst ? advice('call', { call: calledWords(worst.call), error: worst.error, answered: worst.seconds !== null }) : advice('noCall', {});
}

const facesOf = (m: Measured): CallResult[] => m.calls().filter((c) => c.call.kind === 'face');
const viewsOf = (m: Measured): CallResult[] => m.calls().filter((c) => c.call.kind !== 'face');

const standardAngle: CriterionSpec = {
  label: 'Standard view',
  unit: 'rad',
  display: 'degrees',
  how: 'The full rotation left to the called view, mean over the calls; a plan view counts in each quarter turn, and a call without an answer as half a turn.',
  tolerance: { full: 3 * DEGREE, zero: 45 * DEGREE },
  live: false,
  rank: 40,
  measure: (m) => mean(viewsOf(m).map((c) => c.error)),
  advise: (m) => worstCall(viewsOf(m)),
};

const normalAngle: CriterionSpec = {
  label: 'Square on',
  unit: 'rad',
  display: 'degrees',
  how: 'The angle between the view axis and the called face’s normal, mean over the calls of faces.',
  tolerance: { full: 4 * DEGREE, zero: 45 * DEGREE },
  live: false,
  rank: 41,
  measure: (m) => mean(facesOf(m).map((c) => c.error)),
  advise: (m) => worstCall(facesOf(m)),
};

const callTime: CriterionSpec = {
  label: 'Time a call',
  unit: 's',
  display: 'seconds',
  how: 'The median time from hearing a call to its answer, over the answered calls; pauses are left out.',
  tolerance: { full: 4, zero: 30 },
  live: false,
  rank: 60,
  tellsNothing: true,
  measure: (m) => median(m.calls().flatMap((c) => (c.seconds === null ? [] : [c.seconds]))),
  advise: (_, value) => (value === null ? advice('noCall', {}) : advice('callTime', { seconds: value })),
};

const wrongTurns: CriterionSpec = {
  label: 'Wrong turns',
  unit: 'views',
  display: 'count',
  how: 'Standard views that were held for half a second, or answered, and were not the called one.',
  tolerance: { full: 0, zero: 6 },
  live: false,
  rank: 42,
  measure: (m) => m.calls().reduce((sum, c) => sum + c.wrongTurns, 0),
  advise: (_, value) => advice('wrongTurns', { count: value ?? 0 }),
};

/** How calls were answered. */
export const CALL_CRITERIA = { standardAngle, normalAngle, callTime, wrongTurns } as const;
