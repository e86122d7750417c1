import { standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** The right side first, then how exactly, then how soon. */
export const whichWayCriteria = (): CriterionChoice[] =>
  withEverywhere([standard('wrongAnswers', 5, { must: true }), standard('facingError', 3), standard('answerTime', 1)], false);
