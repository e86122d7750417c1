import { AT_STANDARD, callError, callOrder } from '../../criteria/callResults';
import type { View } from '../../view';
import type { GoalTask, Prompt, TaskEvent, TaskStep } from '../goalKind';
import type { RedactedCallView } from './kind';

/** Standing still on the called view for this long answers by itself, seconds. */
const STILL = 1.2;
/** A confirmation this soon after an answer still meant the call before, seconds. */
const MEANT_BEFORE = 0.8;

export interface CallState {
  /** Numbers of the calls in the order in which they are heard. */
  readonly order: readonly number[];
  /** How many were answered. */
  readonly place: number;
  /** Whether the first call was heard. */
  readonly heard: boolean;
  /** The view with which the present call was heard; null before anything was seen. */
  readonly from: View | null;
  readonly answeredAt: number;
  /** The present view, and since when it holds. */
  readonly view: View | null;
  readonly since: number;
}

type Goal = RedactedCallView;

/** What is called now, with what is known of where it is. */
const presentCall = (goal: Goal, state: CallState): Goal['calls'][number] | null => goal.calls[state.order[state.place] ?? -1] ?? null;

const WANTS = { standard: ['standard'], opposite: ['opposite'], face: ['normalTo'] } as const;

function promptOf(goal: Goal, state: CallState): Prompt {
  const call = presentCall(goal, state);
  if (!call) return { code: 'allCalled' };
  return { code: 'call', call, number: state.place + 1, count: state.order.length, wants: WANTS[call.kind] };
}

/** Whether a call that was heard has the view that it asks for, also when it was there before; of a secret face nobody here can say. */
function isThere(goal: Goal, state: CallState): boolean {
  const call = presentCall(goal, state);
  if (!call || !state.heard || !state.view || !state.from) return false;
  if (call.kind !== 'face') return callError(call, state.view, state.from) <= AT_STANDARD;
  return 'normal' in call && 'point' in call && callError(call as Parameters<typeof callError>[0], state.view, state.from) <= AT_STANDARD;
}

/** When standing still answers: the view must hold, and the call have been heard, for a moment. */
const answersAt = (state: CallState): number => Math.max(state.since, state.answeredAt) + STILL;

/** Calls one after the other: each is answered by saying so, or by standing still on it. */
export const callViewTask: GoalTask<RedactedCallView, CallState> = {
  begin: (goal, seed) => ({
    order: callOrder({ list: goal.calls as never, order: goal.order }, seed),
    place: 0,
    heard: false,
    from: null,
    answeredAt: Number.NEGATIVE_INFINITY,
    view: null,
    since: Number.NEGATIVE_INFINITY,
  }),
  next(goal, before, { t, scene, command, event, confirm }): TaskStep<CallState> {
    const { view } = scene;
    const events: TaskEvent[] = [];
    let state = before;
    if (state.view !== view) state = { ...state, view, since: t };
    if (state.from === null) state = { ...state, from: view };
    // The first call is heard with the first movement: until then one may read.
    if (!state.heard && (command || confirm)) {
      state = { ...state, heard: true };
      if (presentCall(goal, state)) events.push({ kind: 'shown', call: 0 });
    }
    if (event) state = { ...state, heard: true };
    const waited = !command && !event && isThere(goal, state) && t >= answersAt(state);
    const said = confirm === true && t - state.answeredAt > MEANT_BEFORE;
    const written = event?.kind === 'answer';
    if (presentCall(goal, state) && (waited || said || written)) {
      if (!written) events.push({ kind: 'answer', call: state.place });
      state = { ...state, place: state.place + 1, from: view, answeredAt: t };
      if (!written && presentCall(goal, state)) events.push({ kind: 'shown', call: state.place });
    }
    return {
      state,
      events,
      prompt: promptOf(goal, state),
      done: presentCall(goal, state) === null,
      again: isThere(goal, state) ? answersAt(state) : null,
    };
  },
};
