/** A criterion as it counts: what it earned, what it would have earned untouched, and what it weighs. */
export interface Judged {
  readonly points: number;
  /** Points of the start, had it been handed in untouched. */
  readonly startPoints: number;
  readonly weight: number;
  readonly must: boolean;
  /** Neither weight nor must counts. */
  readonly leftOut?: true;
}

/** Mean of points by weight, 0 … 1; null where nothing weighs. */
export function meanOf(entries: readonly { readonly weight: number; readonly points: number }[]): number | null {
  const weights = entries.reduce((sum, entry) => sum + entry.weight, 0);
  return weights > 0 ? entries.reduce((sum, entry) => sum + entry.weight * entry.points, 0) / weights : null;
}

/** What a criterion costs of its weight. */
export const lossOf = ({ weight, points, leftOut }: { readonly weight: number; readonly points: number; readonly leftOut?: true }): number =>
  leftOut ? 0 : weight * (1 - points);

/** A criterion that must be met and earns nothing holds the score down to this. */
export const MUST_CAP = 50;
/** Where less than this share of the weight is left to be gained, the start already is the target. */
export const LEAST_TO_GAIN = 0.1;

/** What there is: sum of the weights, what of them can be gained over the start, and what can be lost. */
export function gainOf(judged: readonly Judged[]): { readonly weights: number; readonly toGain: number; readonly toLose: number } {
  let weights = 0;
  let toGain = 0;
  for (const entry of judged) {
    if (entry.leftOut) continue;
    weights += entry.weight;
    toGain += entry.weight * (1 - entry.startPoints);
  }
  return { weights, toGain, toLose: weights - toGain };
}

/** Whether so little is left to be gained that the start already is the target. */
export function startIsTarget(judged: readonly Judged[]): boolean {
  const { weights, toGain } = gainOf(judged);
  return toGain < LEAST_TO_GAIN * weights;
}

/**
 * What was gained over the start, of what could be gained: 100 * sum w (p - p0) / sum w (1 - p0), 0 … 100, held down by
 * unmet musts. Where the start already is the target, the weighted mean of the points; 0 where nothing weighs.
 * `reached`: in a step that was not reached nothing is gained and nothing lost.
 */
export function scoreOf(judged: readonly (Judged & { readonly reached?: boolean })[]): number {
  const counted = judged.filter((entry) => !entry.leftOut);
  const { weights, toGain } = gainOf(counted);
  const sum = (of: (entry: (typeof counted)[number]) => number): number => counted.reduce((total, entry) => total + entry.weight * of(entry), 0);
  const mean = weights > 0 ? sum((entry) => (entry.reached === false ? 0 : entry.points)) / weights : 0;
  const gained = toGain > 0 ? sum((entry) => (entry.reached === false ? 0 : entry.points - entry.startPoints)) / toGain : 0;
  const score = 100 * Math.min(1, Math.max(0, startIsTarget(counted) ? mean : gained));
  return counted.some((entry) => entry.must && entry.points === 0) ? Math.min(MUST_CAP, score) : score;
}

/** Flashes are earned from 60, 80 and 95 points. */
export const FLASH_LEVELS = [60, 80, 95] as const;
export const flashesFor = (score: number): number => FLASH_LEVELS.filter((level) => score >= level).length;
