import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** How soon one is back, and with how little. */
export const getBackCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('recoverTime', 5, { must: true }), standard('gestures', 2, { full: 2, zero: 15 }), standard('hints', 0), choice('switches')]);
