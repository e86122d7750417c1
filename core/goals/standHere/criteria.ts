import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';
import type { StandHere } from './kind';

/** Where one stands, how high the eye is, and the way that one looks. */
export const standHereCriteria = ({ level }: StandHere): CriterionChoice[] =>
  withEverywhere([
    standard('eyePlace', 3),
    standard('eyeHeight', 3),
    standard('direction', 4),
    standard('roll', 1),
    standard('projection', 0),
    standard('lens', 0),
    level ? standard('verticals', 1) : choice('verticals'),
    standard('time', 0),
    choice('overlap'),
  ]);
