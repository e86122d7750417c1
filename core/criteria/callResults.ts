import { angleBetween, angleOfRotation, backOf, median, shuffled, unit } from '../math';
import { navigate } from '../navigation';
import { lastMoveBy, pausedBetween } from '../trace';
import { angleToStandard, FRAME, nearestStandard, type View } from '../view';
import type { Aim } from './aim';
import type { Call } from './call';
import type { Evidence } from './evidence';

/** A view counts as a standard one when it is this near, radians. */
export const AT_STANDARD = (5 * Math.PI) / 180;
/** A view is held when nothing moves for this long, seconds. */
export const HELD = 0.5;

/** The calls of a step and the order in which they are heard. */
export type CalledList = NonNullable<Aim['calls']>;

/** Numbers of the calls in the order in which this attempt hears them. */
export function callOrder({ list, order }: CalledList, seed: number): number[] {
  return order === 'random' ? shuffled(list.length, seed) : list.map((_, i) => i);
}

/** Angle left to what a call asks, radians. `from`: the view when it was called. */
export function callError(call: Call, view: View, from: View): number {
  if (call.kind === 'standard') return angleToStandard(view.orientation, call.name);
  if (call.kind === 'face') {
    const normal = unit(call.normal);
    // A face that is kept secret has none.
    return normal ? angleBetween(backOf(view.orientation), normal) : Math.PI;
  }
  return angleOfRotation(navigate(from, { kind: 'opposite' }, { frame: FRAME }).orientation, view.orientation);
}

export interface CallResult {
  /** Number in the author's list. */
  readonly number: number;
  readonly call: Call;
  /** Angle left when it was answered, radians; pi when it never was. */
  readonly error: number;
  readonly seconds: number | null;
  readonly wrongTurns: number;
  readonly view: View | null;
}

/** Standard views, other than what was called, that were held by the moves from `first` on up to the time `to`. */
function wrongHolds(evidence: Evidence, call: Call, first: number, to: number, called: View): number {
  let wrong = 0;
  for (let i = first; i < evidence.moves.length && (evidence.moves[i]?.t ?? 0) <= to; i++) {
    const next = evidence.moves[i + 1]?.t;
    const answered = next === undefined || next > to;
    if ((answered ? to : next) - (evidence.moves[i]?.t ?? 0) < HELD && !answered) continue;
    const view = evidence.views[i] as View;
    if (nearestStandard(view.orientation).angle < AT_STANDARD && callError(call, view, called) > 2 * AT_STANDARD) wrong++;
  }
  return wrong;
}

/** The view before any move at or after a moment. */
function viewBefore(evidence: Evidence, t: number): View {
  const first = evidence.moves.findIndex((move) => move.t >= t);
  const last = first < 0 ? evidence.views.length - 1 : first - 1;
  return last < 0 ? evidence.before.view : (evidence.views[last] as View);
}

/**
 * What became of each call, in the order heard. A call is heard when the attempt says that it was shown; where it says
 * nothing, the first at the step's first movement (or at its answer, if that was earlier), a later one at the answer before.
 * The first is heard with the view before any move at or after that moment, a later one with the view that answered the one
 * before: moves made at the time of an answer belong to that answer. Pauses are no time.
 */
export function callResults(called: CalledList, evidence: Evidence): CallResult[] {
  const { trace, index, span } = evidence;
  const answers = trace.events.filter((event) => event.kind === 'answer' && event.step === index && event.t <= span.to);
  const shownAt = (place: number): number | undefined =>
    trace.events.find((event) => event.kind === 'shown' && event.step === index && event.call === place && event.t <= span.to)?.t;
  let from = shownAt(0) ?? Math.min(span.from, answers[0]?.t ?? Number.POSITIVE_INFINITY);
  let heardWith = viewBefore(evidence, from);
  let first = 0;
  let heard = true;
  return callOrder(called, trace.seed).map((number, place) => {
    const call = called.list[number] as Call;
    const answer = answers[place];
    // After an unanswered call no other was heard.
    const wrongTurns = heard ? wrongHolds(evidence, call, first, answer?.t ?? span.to, heardWith) : 0;
    if (!answer) heard = false;
    if (!answer) return { number, call, error: Math.PI, seconds: null, wrongTurns, view: null };
    const view = evidence.viewAt(answer.t);
    const seconds = Math.max(0, answer.t - from - pausedBetween(trace, from, answer.t));
    const result = { number, call, error: callError(call, view, heardWith), seconds, wrongTurns, view };
    from = Math.max(answer.t, shownAt(place + 1) ?? answer.t);
    heardWith = view;
    first = lastMoveBy(evidence, answer.t) + 1;
    return result;
  });
}

/** The median time of what was answered rightly; null where that is fewer than half. */
export function timeOfRight(results: readonly { readonly right: boolean; readonly seconds: number | null }[]): number | null {
  const right = results.filter((result) => result.right).map((result) => result.seconds as number);
  return right.length * 2 < results.length ? null : median(right);
}
