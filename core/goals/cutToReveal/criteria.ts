import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';
import type { CutToReveal } from './kind';

/** The cut where one is given, and what shows after it. */
export function cutToRevealCriteria({ plane, reveal }: CutToReveal): CriterionChoice[] {
  if (!plane) return withEverywhere([standard('revealed', 4, { must: true }), standard('time', 0)]);
  return withEverywhere([
    standard('sectionAngle', 2),
    standard('sectionOffset', 2),
    standard('sectionOverlap', 2),
    standard('sectionSide', 1),
    ...(reveal.length > 0 ? [standard('revealed', 2)] : []),
    standard('time', 0),
    ...(reveal.length > 0 ? [] : [choice('revealed')]),
  ]);
}
