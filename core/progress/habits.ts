/** How often a habit came up in one attempt. */
export interface CountedSlip {
  readonly attemptId: string;
  readonly gesture: string;
  readonly wanted: string;
  readonly times: number;
}

/** A habit of an earlier scheme over all attempts with one scheme. */
export interface Habit {
  readonly schemeId: string;
  readonly gesture: string;
  readonly wanted: string;
  readonly times: number;
  /** Times an attempt, over the first and over the last attempts with the scheme; they are apart when there are enough attempts. */
  readonly first: number;
  readonly last: number;
}

/** Attempts that "first" and "last" speak of. */
export const HABIT_SPAN = 5;

const sumOf = (slips: readonly CountedSlip[]): number => slips.reduce((sum, slip) => sum + slip.times, 0);

/** Habits by scheme, the most frequent of late first. `attempts`: those of one learner, oldest first, also those without slips. */
export function habitsOf(attempts: readonly { readonly id: string; readonly schemeId: string }[], slips: readonly CountedSlip[]): Habit[] {
  const found: Habit[] = [];
  for (const schemeId of new Set(attempts.map((attempt) => attempt.schemeId))) {
    const ids = attempts.filter((attempt) => attempt.schemeId === schemeId).map((attempt) => attempt.id);
    const span = Math.min(HABIT_SPAN, Math.max(1, Math.floor(ids.length / 2)));
    const [early, late] = [new Set(ids.slice(0, span)), new Set(ids.slice(-span))];
    const own = slips.filter((slip) => ids.includes(slip.attemptId));
    for (const key of new Set(own.map((slip) => JSON.stringify([slip.gesture, slip.wanted])))) {
      const [gesture, wanted] = JSON.parse(key) as [string, string];
      const same = own.filter((slip) => slip.gesture === gesture && slip.wanted === wanted);
      const rate = (among: ReadonlySet<string>): number => sumOf(same.filter((slip) => among.has(slip.attemptId))) / span;
      found.push({ schemeId, gesture, wanted, times: sumOf(same), first: rate(early), last: rate(late) });
    }
  }
  return found.sort((a, b) => b.last - a.last || b.times - a.times || a.gesture.localeCompare(b.gesture));
}
