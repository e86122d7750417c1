import type { GoalTask } from './goalKind';

/** A task that asks nothing in between. */
export const plainTask: GoalTask<unknown, null> = {
  begin: () => null,
  next: () => ({ state: null, events: [], prompt: null, done: true, again: null }),
};
