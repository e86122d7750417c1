import { type Card, createEmptyCard, fsrs, type Grade, Rating, type State } from 'ts-fsrs';

const DAY = 86_400_000;

/** What the scheduler knows after a review; times are milliseconds since 1970. */
export interface Memory {
  readonly stability: number;
  readonly difficulty: number;
  readonly reps: number;
  readonly lapses: number;
  readonly state: number;
  readonly steps: number;
  readonly interval: number;
  readonly due: number;
  readonly reviewed: number;
}

/** When a skill is to be practised again: `day`'s best counts, so what was known before that day is kept beside. */
export interface Schedule {
  readonly memory: Memory;
  readonly before: Memory | null;
  /** yyyy-mm-dd where the station is. */
  readonly day: string;
  /** Most flashes of that day, 0 … 3. */
  readonly flashes: number;
}

/** No randomness: the same attempts give the same days. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });
const GRADES: readonly Grade[] = [Rating.Again, Rating.Hard, Rating.Good, Rating.Easy];

const cardOf = (memory: Memory | null, at: number): Card =>
  memory
    ? {
        due: new Date(memory.due),
        stability: memory.stability,
        difficulty: memory.difficulty,
        elapsed_days: 0,
        scheduled_days: memory.interval,
        learning_steps: memory.steps,
        reps: memory.reps,
        lapses: memory.lapses,
        state: memory.state as State,
        last_review: new Date(memory.reviewed),
      }
    : createEmptyCard(new Date(at));

/** One review of a day (FSRS, by ts-fsrs): no flash is "again", one "hard", two "good", three "easy". */
function reviewed(memory: Memory | null, flashes: number, at: number): Memory {
  const { card } = scheduler.next(cardOf(memory, at), new Date(at), GRADES[Math.min(3, Math.max(0, flashes))] as Grade);
  return {
    stability: card.stability,
    difficulty: card.difficulty,
    reps: card.reps,
    lapses: card.lapses,
    state: card.state,
    steps: card.learning_steps,
    interval: card.scheduled_days,
    due: Math.max(card.due.getTime(), at + DAY),
    reviewed: at,
  };
}

/** The schedule after an attempt that earned `flashes` of a skill at `at`, milliseconds; a day is one review, by its best. */
export function rescheduled(schedule: Schedule | null, attempt: { readonly flashes: number; readonly at: number; readonly day: string }): Schedule {
  if (schedule && attempt.day <= schedule.day) {
    if (attempt.flashes <= schedule.flashes) return schedule;
    return { ...schedule, memory: reviewed(schedule.before, attempt.flashes, schedule.memory.reviewed), flashes: attempt.flashes };
  }
  const before = schedule?.memory ?? null;
  return { memory: reviewed(before, attempt.flashes, attempt.at), before, day: attempt.day, flashes: attempt.flashes };
}
