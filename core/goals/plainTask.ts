import type { GoalTask } from './goalKind';

/** A task that asks nothing in between: its state is whether anything was done yet. */
export const plainTask: GoalTask<unknown, boolean> = {
  begin: () => false,
  next(_, before, { command }) {
    const tried = before || command !== undefined;
    return { state: tried, events: [], prompt: null, done: tried, again: null };
  },
};
