import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** The right values, at the first go. */
export const measureItCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('valueError', 6, { must: true }), standard('wrongPicks', 2), choice('time', { full: 60, zero: 300 })]);
