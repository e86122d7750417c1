import { advice } from './advice';
import type { CriterionSpec } from './criterion';
import type { Measured } from './measured';
import { type SeenSoFar, seenBy } from './seenSoFar';

const known = new WeakMap<Measured, SeenSoFar | null>();

/** What the attempt saw, looked through once a judgement. */
export function seenOf(m: Measured): SeenSoFar | null {
  const found = known.get(m);
  if (found !== undefined) return found;
  const made = m.aim.see && m.evidence ? seenBy(m.model, m.aim.see, m.evidence) : null;
  known.set(m, made);
  return made;
}

const unseen: CriterionSpec = {
  label: 'Never seen',
  unit: 'share',
  display: 'percent',
  of: 'of the surface',
  how: 'Of 600 places on the subject, even over its surface, the share that was never in the frame, turned to the eye by less than 80°, unhidden and near enough. What no view from outside shows does not count.',
  tolerance: { full: 0.05, zero: 0.7 },
  live: false,
  rank: 44,
  measure: (m) => seenOf(m)?.unseen() ?? null,
  advise(m, value) {
    const seen = seenOf(m);
    return seen && value !== null ? advice('unseen', { share: value, side: m.aim.see?.sides ? seen.side() : null }) : advice('notMeasured', {});
  },
};

/** What of a subject was looked at. */
export const SEE_CRITERIA = { unseen } as const;
