import { advice } from './advice';
import type { CriterionSpec } from './criterion';

const unseen: CriterionSpec = {
  label: 'Never seen',
  unit: 'share',
  display: 'percent',
  of: 'of the surface',
  how: 'Of 600 places on the subject, even over its surface, the share that was never in the frame, turned to the eye by less than 80°, unhidden and near enough. What no view from outside shows does not count.',
  tolerance: { full: 0.05, zero: 0.7 },
  live: false,
  rank: 44,
  measure: (m) => m.seen()?.unseen() ?? null,
  advise(m, value) {
    const seen = m.seen();
    return seen && value !== null ? advice('unseen', { share: value, side: m.aim.see?.sides ? seen.side() : null }) : advice('notMeasured', {});
  },
};

/** What of a subject was looked at. */
export const SEE_CRITERIA = { unseen } as const;
