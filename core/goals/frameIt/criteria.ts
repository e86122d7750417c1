import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** How the subject fills the room between the inner lines, and that it can be seen. */
export const frameItCriteria = (): CriterionChoice[] =>
  withEverywhere([
    standard('margin', 3),
    standard('fill', 2),
    standard('clipped', 2),
    standard('hiddenShare', 1),
    standard('time', 0, { full: 15, zero: 90 }),
    choice('lostTime'),
  ]);
