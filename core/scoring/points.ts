/** Full marks up to `full`, nothing from `zero`, a straight line between; with full = zero: 1 up to it, 0 beyond. */
export function pointsFor(value: number, range: { full: number; zero: number }): number {
  if (!Number.isFinite(value)) return 0;
  if (range.zero === range.full) return value <= range.full ? 1 : 0;
  return Math.min(1, Math.max(0, (range.zero - value) / (range.zero - range.full)));
}

export interface Judged {
  readonly points: number;
  readonly weight: number;
  readonly must: boolean;
}

/** A criterion that must be met and earns nothing holds the score down to this. */
export const MUST_CAP = 50;

/** 100 * sum(weight * points) / sum(weight), capped by unmet musts; 0 where nothing weighs. */
export function scoreOf(judged: readonly Judged[]): number {
  let sum = 0;
  let weights = 0;
  for (const entry of judged) {
    sum += entry.weight * entry.points;
    weights += entry.weight;
  }
  const score = weights > 0 ? (100 * sum) / weights : 0;
  return judged.some((entry) => entry.must && entry.points === 0) ? Math.min(MUST_CAP, score) : score;
}

/** Flashes are earned from 60, 80 and 95 points. */
export const FLASH_LEVELS = [60, 80, 95] as const;
export const flashesFor = (score: number): number => FLASH_LEVELS.filter((level) => score >= level).length;
