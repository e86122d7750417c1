import { CRITERIA, type CriterionId } from '../criteria';
import { groupedBy } from '../math';
import { THRESHOLD } from './level';

/** One attempt that counts, as concerns look at it; `at`: milliseconds since 1970. */
export interface AttemptFacts {
  readonly id: string;
  readonly exerciseId: string;
  readonly title: string;
  readonly at: number;
  readonly score: number;
  readonly seconds: number;
  /** Gestures of an earlier scheme. */
  readonly oldGestures: number;
  /** What cost most, and its share of what was to gain, 0 … 1. */
  readonly costliest: { readonly criterion: CriterionId; readonly share: number } | null;
}

export type ConcernKind = 'notStarted' | 'stalled' | 'stoppedComing' | 'guessing' | 'alwaysTheSame' | 'oldHabit';

/** Why a learner needs a word: what is the matter, and the attempt that shows it best. */
export interface Concern {
  readonly kind: ConcernKind;
  readonly words: string;
  readonly attemptId: string | null;
}

const DAY = 86_400_000;
const AWAY_DAYS = 10;
/** Stalled: this many attempts brought less than so many points over the best before. */
const STALLED = { attempts: 4, gain: 5 };
/** Guessing: this many of the last five ended this soon with this little. */
const GUESSING = { times: 3, seconds: 5, score: 30 };
const ALWAYS = { times: 4, share: 0.2 };
/** Attempts that "the latest" speaks of: of no others is it asked what cost most. */
export const LATEST = 5;
const HABIT = { attempts: 3, gestures: 3 };

/** Whether the last attempts at one exercise, oldest first, brought nothing more though it is not reached. */
export function isStalled(scores: readonly number[], threshold = THRESHOLD): boolean {
  if (scores.length <= STALLED.attempts) return false;
  const before = Math.max(...scores.slice(0, -STALLED.attempts));
  return before < threshold && Math.max(...scores.slice(-STALLED.attempts)) - before < STALLED.gain;
}

function stalled(attempts: readonly AttemptFacts[], threshold: number): Concern[] {
  return [...groupedBy(attempts, ({ exerciseId }) => exerciseId).values()].flatMap((mine): Concern[] => {
    const scores = mine.map(({ score }) => score);
    if (!isStalled(scores, threshold)) return [];
    const recent = mine.slice(-STALLED.attempts);
    const worst = recent.reduce((least, attempt) => (attempt.score < least.score ? attempt : least));
    const best = Math.round(Math.max(...scores));
    return [{ kind: 'stalled', words: `${STALLED.attempts} tries at “${worst.title}” without getting further, best ${best}`, attemptId: worst.id }];
  });
}

function stoppedComing(last: AttemptFacts, now: number, due: number): Concern[] {
  const days = Math.floor((now - last.at) / DAY);
  if (days < AWAY_DAYS || due === 0) return [];
  return [
    { kind: 'stoppedComing', words: `was last here ${days} days ago, and ${due === 1 ? 'one exercise is' : `${due} exercises are`} due`, attemptId: last.id },
  ];
}

function guessing(latest: readonly AttemptFacts[]): Concern[] {
  const quick = latest.filter(({ seconds, score }) => seconds < GUESSING.seconds && score < GUESSING.score);
  const last = quick.at(-1);
  if (quick.length < GUESSING.times || !last) return [];
  return [{ kind: 'guessing', words: `handed in ${quick.length} of the last ${latest.length} within seconds, with almost nothing done`, attemptId: last.id }];
}

function alwaysTheSame(latest: readonly AttemptFacts[]): Concern[] {
  const costly = groupedBy(latest, ({ costliest }) => (costliest && costliest.share >= ALWAYS.share ? costliest.criterion : null));
  return [...costly].flatMap(([criterion, those]): Concern[] => {
    const last = those.at(-1);
    if (criterion === null || those.length < ALWAYS.times || !last) return [];
    const words = `loses most by “${CRITERIA[criterion].label.toLowerCase()}”, in ${those.length} of the last ${latest.length} attempts`;
    return [{ kind: 'alwaysTheSame', words, attemptId: last.id }];
  });
}

function oldHabit(attempts: readonly AttemptFacts[]): Concern[] {
  const recent = attempts.slice(-HABIT.attempts);
  const last = recent.at(-1);
  if (!last || recent.length < HABIT.attempts || recent.some(({ oldGestures }) => oldGestures < HABIT.gestures)) return [];
  const times = recent.reduce((sum, { oldGestures }) => sum + oldGestures, 0);
  return [{ kind: 'oldHabit', words: `still moves as in the scheme before, ${times} times in ${recent.length} attempts`, attemptId: last.id }];
}

/**
 * Who needs a word, and why. `attempts`: those of one learner that count, oldest first; `due`: exercises that are due and
 * not done; `given`: whether anything is assigned; `now`: milliseconds since 1970.
 */
export function concernsAbout(
  attempts: readonly AttemptFacts[],
  { now, due, given, threshold = THRESHOLD }: { readonly now: number; readonly due: number; readonly given: boolean; readonly threshold?: number },
): Concern[] {
  const last = attempts.at(-1);
  if (!last) return given ? [{ kind: 'notStarted', words: 'has not started', attemptId: null }] : [];
  const latest = attempts.slice(-LATEST);
  return [...stalled(attempts, threshold), ...stoppedComing(last, now, due), ...guessing(latest), ...alwaysTheSame(latest), ...oldHabit(attempts)];
}
