import { answers, BEAT, goesOn, madeOf, NOTHING_MADE, quickOrder, type Sums, withCommand } from '../../criteria/quickResults';
import type { MoveGesture } from '../../trace/traceSchema';
import type { GoalTask, Prompt, TaskEvent, TaskStep } from '../goalKind';
import type { QuickCalls } from './kind';

/** A gesture at work, or just over. */
interface Hand {
  readonly sums: Sums;
  readonly gesture: MoveGesture | undefined;
  readonly last: number;
}

export interface QuickState {
  /** Numbers of the calls in the order in which they are heard. */
  readonly order: readonly number[];
  /** How many were called and are over. */
  readonly place: number;
  /** When the present call was shown, seconds; null: the first was not yet. */
  readonly shownAt: number | null;
  readonly hand: Hand | null;
  /** The gesture that answered the call before: what it still does answers nothing. */
  readonly spent: Pick<Hand, 'gesture' | 'last'> | null;
  /** What became of the call before. */
  readonly before: 'right' | 'wrong' | 'late' | null;
}

const callAt = ({ calls }: QuickCalls, { order, place }: QuickState): QuickCalls['calls'][number] | null => calls[order[place] ?? -1] ?? null;

function promptOf(goal: QuickCalls, state: QuickState): Prompt {
  const call = callAt(goal, state);
  if (!call) return { code: 'allCalled' };
  const count = state.order.length;
  return { code: 'quick', call: state.shownAt === null ? null : call, number: state.place + 1, count, before: state.before, wants: [call.kind] };
}

/** When time alone changes something: the hand has rested for a beat, or the call has waited long enough. */
function againAt(goal: QuickCalls, state: QuickState): number | null {
  if (!callAt(goal, state) || state.shownAt === null) return null;
  if (state.hand) return state.hand.last + BEAT;
  return goal.seconds === null ? null : state.shownAt + goal.seconds;
}

/** Called one after the other: the first gesture answers, and after a beat of rest the next is called. */
export const quickCallsTask: GoalTask<QuickCalls, QuickState> = {
  begin: (goal, seed) => ({ order: quickOrder(goal, seed), place: 0, shownAt: null, hand: null, spent: null, before: null }),
  next(goal, before, { t, command, gesture, event, confirm }): TaskStep<QuickState> {
    const events: TaskEvent[] = [];
    let state = before;
    const call = callAt(goal, state);
    /** The present call is over, and the next is shown. */
    const over = (how: QuickState['before']): void => {
      events.push({ kind: 'answer', call: state.place });
      state = { ...state, place: state.place + 1, shownAt: t, hand: null, spent: state.hand, before: how };
      if (callAt(goal, state)) events.push({ kind: 'shown', call: state.place });
    };
    if (event?.kind === 'shown') state = { ...state, place: event.call, shownAt: event.t, hand: null };
    else if (event?.kind === 'answer') state = { ...state, place: event.call + 1, shownAt: event.t, hand: null, spent: state.hand };
    else if (call && confirm && state.shownAt === null) {
      events.push({ kind: 'shown', call: state.place });
      state = { ...state, shownAt: t };
    } else if (call && state.shownAt !== null && command && command.kind !== 'select' && command.kind !== 'cancel') {
      const { hand, spent } = state;
      if (spent && goesOn({ t: spent.last, gesture: spent.gesture }, { t, gesture }))
        return { state: { ...state, spent: { gesture, last: t } }, events, prompt: promptOf(goal, state), done: false, again: againAt(goal, state) };
      // Another gesture after tremor begins anew; after an answer it only keeps the hand from resting.
      const same = hand !== null && goesOn({ t: hand.last, gesture: hand.gesture }, { t, gesture });
      const answered = hand !== null && !same && madeOf(hand.sums) !== null;
      const sums = same ? withCommand(hand.sums, command) : answered ? hand.sums : withCommand(NOTHING_MADE, command);
      state = { ...state, hand: { sums, gesture: answered ? hand.gesture : gesture, last: t } };
    } else if (call && state.shownAt !== null && !command) {
      const due = againAt(goal, state);
      if (due !== null && t >= due) {
        const made = state.hand && madeOf(state.hand.sums);
        if (made) over(answers(call, made) ? 'right' : 'wrong');
        else if (state.hand) state = { ...state, hand: null };
        else over('late');
      }
    }
    return { state, events, prompt: promptOf(goal, state), done: callAt(goal, state) === null, again: againAt(goal, state) };
  },
};
