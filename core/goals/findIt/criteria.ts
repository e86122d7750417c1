import { standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** Found at all, then how soon, and without guessing. */
export const findItCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('missed', 5, { must: true }), standard('itemTime', 1), standard('wrongPicks', 2)]);
