/** Recent attempts that a level is taken from, and the fewest that show one. */
export const RECENT = 5;
export const FEWEST = 3;

export interface Level {
  /** Mean of the recent scores, 0 … 100. */
  readonly score: number;
  readonly count: number;
  /** Standard deviation of the recent scores. */
  readonly spread: number;
}

/** How well a skill goes now: the last five scores, oldest first; null on fewer than three, which tell nothing yet. */
export function levelOf(scores: readonly number[]): Level | null {
  if (scores.length < FEWEST) return null;
  const recent = scores.slice(-RECENT);
  const mean = recent.reduce((sum, s) => sum + s, 0) / recent.length;
  const squares = recent.reduce((sum, s) => sum + (s - mean) ** 2, 0);
  return { score: mean, count: scores.length, spread: Math.sqrt(squares / (recent.length - 1)) };
}

/** Stuck: the last three attempts did not beat the best before them, and flashes are still missing. */
export function isStuck(scores: readonly number[]): boolean {
  if (scores.length < 4) return false;
  const before = Math.max(...scores.slice(0, -3));
  const last = Math.max(...scores.slice(-3));
  return last <= before && last < 95;
}
