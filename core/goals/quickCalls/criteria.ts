import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** The right gesture, and how soon. */
export const quickCallsCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('wrongGestures', 5, { must: true }), standard('reactionTime', 4), choice('gestures', { full: 20, zero: 100 })], false);
