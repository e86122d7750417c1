import { advice } from './advice';
import { timeOfRight } from './callResults';
import type { CriterionSpec } from './criterion';
import type { QuickResult } from './quickResults';

const reactionTime: CriterionSpec = {
  label: 'Reaction',
  unit: 's',
  display: 'seconds',
  how: 'The median time from a call to the beginning of its gesture, over the calls that were answered rightly; where those are fewer than half, none.',
  tolerance: { full: 1.2, zero: 5 },
  live: false,
  rank: 60,
  tellsNothing: true,
  measure: (m) => timeOfRight(m.quick()),
  advise(m, value) {
    if (value === null) return advice('noReaction', {});
    const slowest = m
      .quick()
      .filter((r) => r.right)
      .sort((a, b) => (b.seconds as number) - (a.seconds as number))[0];
    return slowest ? advice('slowCall', { call: slowest.call, seconds: slowest.seconds as number }) : advice('noReaction', {});
  },
};

const wrongGestures: CriterionSpec = {
  label: 'Wrong gestures',
  unit: 'share',
  display: 'percent',
  of: 'of the calls',
  how: 'The share of the calls whose first gesture was not the one called, or that got none in their time. Movements of up to four pixels are none.',
  tolerance: { full: 0.05, zero: 0.6 },
  live: false,
  rank: 43,
  measure(m) {
    const results = m.quick();
    return results.length === 0 ? null : results.filter((result) => !result.right).length / results.length;
  },
  advise(m) {
    const missed = m.quick().filter((result) => !result.right);
    const wrong = missed.filter((result) => result.called);
    if (wrong.length === 0 && missed.length > 0) return advice('notCalled', { count: missed.length });
    // What went wrong most often: the same call, answered by the same kind of gesture.
    const times = (one: QuickResult): number => wrong.filter((other) => other.number === one.number && other.made?.kind === one.made?.kind).length;
    const worst = [...wrong].sort((a, b) => times(b) - times(a))[0];
    return worst ? advice('wrongGesture', { call: worst.call, made: worst.made, slip: worst.slip, count: times(worst) }) : advice('asAsked', {});
  },
};

/** How called gestures were answered. */
export const QUICK_CRITERIA = { reactionTime, wrongGestures } as const;
