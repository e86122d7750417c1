import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** How much was seen, and with how much ado. */
export const seeAllCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('unseen', 5), standard('time', 0), standard('gestures', 0, { full: 8, zero: 60 }), choice('lostTime')]);
