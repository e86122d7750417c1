import { standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';

/** How near to the line, and how evenly. */
export const followOrbitCriteria = (): CriterionChoice[] =>
  withEverywhere([
    standard('orbitPath', 4),
    standard('orbitWorst', 2),
    standard('orbitSweep', 1),
    standard('pivotDrift', 1),
    standard('smoothness', 1),
    standard('time', 0),
  ]);
