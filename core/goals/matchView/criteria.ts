import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';
import type { MatchView } from './kind';

const CUT = [standard('sectionAngle', 2), standard('sectionOffset', 2), standard('sectionOverlap', 2), standard('sectionSide', 1)];

/** Where one looks from and what shows; the cut as well where the target has one. Time and gestures weigh nothing until mastery is asked. */
export function matchViewCriteria({ target }: MatchView): CriterionChoice[] {
  return withEverywhere([
    standard('direction', 4),
    standard('roll', 1),
    standard('size', 2),
    standard('placement', 2),
    standard('projection', 1),
    standard('overlap', 2),
    ...(target.section ? CUT : []),
    standard('visibility', 1),
    standard('time', 0),
    standard('gestures', 0),
    choice('clipped'),
    choice('hiddenShare'),
    choice('lostTime'),
    ...(target.section ? [] : CUT.map(({ id }) => choice(id))),
  ]);
}
