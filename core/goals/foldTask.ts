import type { Scene } from '../navigation';
import type { Move, TraceEvent } from '../trace';
import type { View } from '../view';
import type { TaskStep } from './goalKind';
import type { RedactedGoal } from './kinds';
import { taskOf } from './tasks';

/** What was done in a step, in the order of time. */
export interface Done {
  readonly before: Scene;
  readonly moves: readonly Move[];
  /** View after each of `moves`. */
  readonly views: readonly View[];
  /** Events of this step. */
  readonly events: readonly TraceEvent[];
}

/** Where a task stands after what was done; moves made at the time of an event belong to it. `each` hears of every step of it, seconds from opening. */
export function foldTask(
  goal: RedactedGoal,
  seed: number,
  { before, moves, views, events }: Done,
  each: (t: number, at: TaskStep<unknown>) => void = () => {},
): TaskStep<unknown> {
  const task = taskOf(goal);
  let at = task.next(goal, task.begin(goal, seed), { t: moves[0]?.t ?? events[0]?.t ?? 0, scene: before });
  let view = before.view;
  let next = 0;
  const upTo = (t: number): void => {
    for (let move = moves[next]; move && move.t <= t; move = moves[next]) {
      view = views[next] ?? view;
      at = task.next(goal, at.state, { t: move.t, scene: { ...before, view }, command: move.command, gesture: move.gesture });
      each(move.t, at);
      next++;
    }
  };
  for (const event of events) {
    upTo(event.t);
    at = task.next(goal, at.state, { t: event.t, scene: { ...before, view }, event });
    each(event.t, at);
  }
  upTo(Number.POSITIVE_INFINITY);
  return at;
}
