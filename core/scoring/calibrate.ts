import { CRITERIA, type CriterionId } from '../criteria';

const DEGREE = Math.PI / 180;
/** What a hand can be asked for at most: half a degree, a pixel of the frame. By the unit of a criterion. */
const FINEST: Readonly<Record<string, number>> = { rad: 0.5 * DEGREE, 'frame heights': 0.001, octaves: 0.002 };

/** From how many tries on a tolerance can be told. */
export const TRIES = 3;
/** The share of one's own tries that earn full marks. */
const OWN = 0.9;
/** Of a group: the share of its members whose best earns full marks, and of those whose first try earned any. */
const GROUP_BEST = 0.25;
const GROUP_FIRST = 0.9;
/** No marks from this many times of what earns full ones. */
const WIDER = 4;

/** Quantile of values, 0 … 1, linear between the order statistics (Hyndman & Fan 1996, type 7); null without values. */
export function quantile(values: readonly number[], p: number): number | null {
  const sorted = [...values].sort((a, b) => a - b);
  if (sorted.length === 0) return null;
  const h = (sorted.length - 1) * p;
  const low = Math.floor(h);
  const [a, b] = [sorted[low] as number, sorted[Math.min(sorted.length - 1, low + 1)] as number];
  return a + (h - low) * (b - a);
}

interface Tolerance {
  readonly full: number;
  readonly zero: number;
}

/** No marks from four times of what earns full ones, or from where they usually end. */
const usualZero = (id: CriterionId, full: number): number => Math.max(WIDER * full, CRITERIA[id].tolerance.zero);

/** Full marks up to what was reached, as far as a hand can be asked for it; null where that tells nothing: nothing was reached at all. */
function toleranceOf(id: CriterionId, reached: number, zeroFor: (full: number) => number): Tolerance | null {
  const { unit } = CRITERIA[id];
  const full = Math.max(reached, FINEST[unit] ?? 0);
  // Of a share there is no more than all.
  const most = unit === 'share' ? 1 : Number.POSITIVE_INFINITY;
  return full < most ? { full, zero: Math.min(most, zeroFor(full)) } : null;
}

/**
 * The tolerance that values of one's own come to, in the criterion's unit: full marks up to the 0.9 quantile, none from four
 * times that or the usual, whichever is wider; neither finer than a hand can be asked for. Null: too few values, nothing reached at all, or a criterion that is met or not.
 */
export function calibrated(id: CriterionId, values: readonly number[]): Tolerance | null {
  const reached = values.length < TRIES || CRITERIA[id].display === 'yesNo' ? null : quantile(values, OWN);
  return reached === null ? null : toleranceOf(id, reached, (full) => usualZero(id, full));
}

/**
 * The tolerance that a group comes to: full marks up to the 0.25 quantile of its members' best values, none from the 0.9
 * quantile of their first ones; where all began better than that, as from one's own tries. Null: fewer than
 * three members, nothing reached, or a criterion that is met or not.
 */
export function calibratedFromGroup(id: CriterionId, bests: readonly number[], firsts: readonly number[]): Tolerance | null {
  if (bests.length < TRIES || CRITERIA[id].display === 'yesNo') return null;
  const [best, first] = [quantile(bests, GROUP_BEST), quantile(firsts, GROUP_FIRST)];
  if (best === null || first === null) return null;
  return toleranceOf(id, best, (full) => (first > full ? first : usualZero(id, full)));
}
