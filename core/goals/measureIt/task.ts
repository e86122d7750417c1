import type { GoalTask, TaskEvent, TaskStep } from '../goalKind';
import type { RedactedOf } from '../kinds';

/** Ids of what was measured. */
export type MeasureState = readonly string[];

/** Values are measured in any order, each as often as one likes: the last counts. */
export const measureItTask: GoalTask<RedactedOf<'measureIt'>, MeasureState> = {
  begin: () => [],
  next({ asks }, before, { event, measured }): TaskStep<MeasureState> {
    const events: TaskEvent[] = [];
    let state = before;
    const known = (id: string): boolean => asks.some((ask) => ask.id === id);
    if (measured && known(measured.ask)) events.push({ kind: 'measure', ...measured });
    const id = event?.kind === 'measure' ? event.ask : measured?.ask;
    if (id !== undefined && known(id) && !state.includes(id)) state = [...state, id];
    return { state, events, prompt: { code: 'measure', measured: state, count: asks.length, wants: [] }, done: state.length === asks.length, again: null };
  },
};
