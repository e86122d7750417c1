import { exact, slerp } from '../math';
import { apply, type Context, type Scene } from '../navigation';
import type { View } from '../view';
import type { Trace } from './traceSchema';

export type { Move, MoveGesture, Trace, TraceEvent } from './traceSchema';

const contextOf = (trace: Trace, context: Context, gesture: number | undefined): Context => ({
  ...context,
  start: context.start ?? trace.start,
  ...(gesture === undefined ? {} : { gesture }),
});

/** The scene after each move; the attempt is nothing but this fold. */
export function replay(trace: Trace, context: Context): Scene[] {
  const scenes: Scene[] = [];
  let scene = trace.start;
  for (const move of trace.moves) {
    scene = apply(scene, move.command, contextOf(trace, context, move.gesture?.id));
    scenes.push(scene);
  }
  return scenes;
}

/** Number of the last move made by the time `t`, -1 before the first. */
export function lastMoveBy(trace: Pick<Trace, 'moves'>, t: number): number {
  let low = -1;
  let high = trace.moves.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((trace.moves[middle]?.t ?? 0) <= t) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** A view between two of one gesture: slerp, logarithm for distance, straight lines for the target. */
export function mixViews(a: View, b: View, k: number): View {
  if (k <= 0) return a;
  if (k >= 1) return b;
  return {
    ...b,
    target: [a.target[0] + (b.target[0] - a.target[0]) * k, a.target[1] + (b.target[1] - a.target[1]) * k, a.target[2] + (b.target[2] - a.target[2]) * k],
    orientation: slerp(a.orientation, b.orientation, k),
    distance: a.distance === b.distance ? a.distance : exact.exp(exact.log(a.distance) * (1 - k) + exact.log(b.distance) * k),
  };
}

/** The view at time `t` s: inside one gesture interpolated between its moves, otherwise held. */
export function viewAt(trace: Trace, scenes: readonly Scene[], t: number): View {
  const last = lastMoveBy(trace, t);
  const here = last < 0 ? trace.start.view : (scenes[last] as Scene).view;
  const move = trace.moves[last];
  const next = trace.moves[last + 1];
  const same = move?.gesture && next?.gesture && move.gesture.id === next.gesture.id;
  if (!move || !next || !same || next.t <= move.t) return here;
  return mixViews(here, (scenes[last + 1] as Scene).view, (t - move.t) / (next.t - move.t));
}

/** Views at `hz` per second from 0 to the end of the trace, both included. */
export function sampleViews(trace: Trace, context: Context, hz: number): View[] {
  const scenes = replay(trace, context);
  const count = Math.floor(trace.end * hz + 1e-9) + 1;
  return Array.from({ length: count }, (_, i) => viewAt(trace, scenes, i / hz));
}
