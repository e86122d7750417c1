import type { GoalTask, TaskEvent, TaskStep } from '../goalKind';
import type { RedactedOf } from '../kinds';
import type { WhichWay } from './kind';

/** The goal as an author has it, or as much as a browser knows of it. */
type Asked = RedactedOf<'whichWay'> | WhichWay;

export interface WayState {
  /** How many were answered. */
  readonly place: number;
  /** Whether the first view was shown. */
  readonly shown: boolean;
}

const countOf = (goal: Asked): number => ('questions' in goal ? goal.questions.length : (goal.count ?? 0));

/** Views one after the other: each is answered once, and the next is shown. Nothing moves. */
export const whichWayTask: GoalTask<Asked, WayState> = {
  begin: () => ({ place: 0, shown: false }),
  next(goal, before, { event, confirm, answer }): TaskStep<WayState> {
    const count = countOf(goal);
    const events: TaskEvent[] = [];
    let state = before;
    if (event?.kind === 'shown') state = { place: event.call, shown: true };
    else if (event?.kind === 'answer') state = { place: event.call + 1, shown: true };
    else if (confirm && !state.shown) {
      events.push({ kind: 'shown', call: 0 });
      state = { ...state, shown: true };
    } else if (answer && state.shown && state.place < count) {
      events.push({ kind: 'answer', call: state.place, ...answer });
      state = { ...state, place: state.place + 1 };
      if (state.place < count) events.push({ kind: 'shown', call: state.place });
    }
    const done = state.place >= count;
    const prompt = done ? ({ code: 'allAnswered' } as const) : ({ code: 'way', number: state.place + 1, count, shown: state.shown, wants: [] } as const);
    return { state, events, prompt, done, again: null };
  },
  ownStart: true,
  still: true,
};
