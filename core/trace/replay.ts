import { exact, slerp } from '../math';
import { apply, type Command, type Context, EMPTY_HISTORY, type Scene } from '../navigation';
import type { View } from '../view';
import type { Trace } from './traceSchema';

export type { Move, MoveGesture, PickMade, Trace, TraceEvent } from './traceSchema';

/** A scene that commands are done to, one after the other. */
export interface Replay {
  /** The scene after all commands so far, without its history. */
  readonly scene: () => Scene;
  /** A step begins: in a scene of its own, or, with null, in the one that is there. */
  readonly begin: (own: Scene | null) => void;
  /** Looking round has ended: the step begins again as it had begun. */
  readonly again: () => void;
  /** `gesture`: the number of the gesture that the command belongs to. */
  readonly perform: (command: Command, gesture: number | undefined) => void;
}

/**
 * Does what folding `apply` over the commands does, but keeps one history for all scenes together: time and memory grow
 * with the number of commands, not with its square. A history that `start` brings is forgotten.
 */
export function createReplay(start: Scene, context: Context): Replay {
  let scene: Scene = { ...start, history: EMPTY_HISTORY };
  /** What a reset goes back to. */
  let origin = context.start ?? start;
  let past: View[] = [];
  /** The next view to go forward to stands last. */
  let future: View[] = [];
  let stash: View[] = [];
  let running: number | null = null;
  /** As the present step began. */
  let begun = scene;

  const forget = (): void => {
    past = [];
    future = [];
    stash = [];
    running = null;
  };
  const remember = (view: View, gesture: number | undefined): void => {
    if (gesture !== undefined && running === gesture) return;
    past.push(view);
    stash = gesture === undefined ? [] : future;
    future = [];
    running = gesture ?? null;
  };
  const cancel = (gesture: number | undefined): void => {
    if (gesture === undefined || running !== gesture) return;
    const before = past.pop();
    if (!before) return;
    scene = { ...scene, view: before };
    future = stash;
    stash = [];
    running = null;
  };
  const step = (from: View[], to: View[]): void => {
    const view = from.pop();
    if (!view) return;
    to.push(scene.view);
    scene = { ...scene, view };
    stash = [];
    running = null;
  };

  return {
    scene: () => scene,
    begin(own) {
      origin = own ?? context.start ?? start;
      begun = own ? { ...own, history: EMPTY_HISTORY } : scene;
      if (!own) return;
      scene = begun;
      forget();
    },
    again() {
      scene = begun;
      forget();
    },
    perform(command, gesture) {
      if (command.kind === 'back') return step(past, future);
      if (command.kind === 'forward') return step(future, past);
      if (command.kind === 'cancel') return cancel(gesture);
      const { view } = scene;
      scene = { ...apply(scene, command, { ...context, start: origin }), history: EMPTY_HISTORY };
      if (scene.view !== view) remember(view, gesture);
    },
  };
}

/** What was done in an attempt. */
type Happened = { readonly [K in 'moves' | 'events']: readonly Trace[K][number][] };

/** The scene of its own that a step begins in, or with which a later call of it is shown; null: it goes on in the one that is there. */
export type OwnStarts = (step: number, call?: number) => Scene | null;

interface Beginning {
  readonly step: number;
  readonly call: number;
  /** Whether it begins anew after looking round. */
  readonly again?: true;
  /** The move that it comes before, by its number; that of all moves after the last. */
  readonly move: number;
}

/** Where steps begin, and later calls are shown, in order. */
function beginningsOf({ moves, events }: Happened): Beginning[] {
  const later = events.flatMap((event): Beginning[] => {
    const move = lastMoveBy({ moves }, event.t) + 1;
    if (event.kind === 'stepDone') return [{ step: event.step + 1, call: 0, move }];
    if (event.kind === 'looked') return [{ step: event.step, call: 0, again: true, move }];
    return event.kind === 'shown' && event.call > 0 ? [{ step: event.step, call: event.call, move }] : [];
  });
  return [{ step: 0, call: 0, move: 0 }, ...later];
}

/** Does the moves of a record one after the other, each step from where it begins; `each` hears of every move that was done. */
export function replayMoves(
  run: Pick<Replay, 'begin' | 'again' | 'perform'>,
  record: Happened,
  starts: OwnStarts,
  each: (move: number) => void = () => {},
): void {
  const beginnings = beginningsOf(record);
  let next = 0;
  const beginUpTo = (move: number): void => {
    for (let at = beginnings[next]; at && at.move <= move; at = beginnings[++next]) {
      if (at.again) {
        run.again();
        continue;
      }
      const own = starts(at.step, at.call);
      if (own || at.call === 0) run.begin(own);
    }
  };
  record.moves.forEach((move, i) => {
    beginUpTo(i);
    run.perform(move.command, move.gesture?.id);
    each(i);
  });
  beginUpTo(record.moves.length);
}

/** The scene after each move, without history, of an attempt whose steps all begin where the one before ended: nothing but this fold. */
export function replay(trace: Trace, context: Context): Scene[] {
  const run = createReplay(trace.start, context);
  return trace.moves.map((move) => {
    run.perform(move.command, move.gesture?.id);
    return run.scene();
  });
}

/** Number of the last move made by the time `t`, -1 before the first. */
export function lastMoveBy(trace: { readonly moves: readonly { readonly t: number }[] }, t: number): number {
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

/** The view at time `t` s, from the views after each move: inside one gesture interpolated between its moves, otherwise held. */
export function viewAt(trace: Pick<Trace, 'start' | 'moves'>, views: readonly View[], t: number): View {
  const last = lastMoveBy(trace, t);
  const here = last < 0 ? trace.start.view : (views[last] as View);
  const move = trace.moves[last];
  const next = trace.moves[last + 1];
  const same = move?.gesture && next?.gesture && move.gesture.id === next.gesture.id;
  if (!move || !next || !same || next.t <= move.t) return here;
  return mixViews(here, views[last + 1] as View, (t - move.t) / (next.t - move.t));
}

/** Views at `hz` per second from 0 to the end of the trace, both included. */
export function sampleViews(trace: Trace, context: Context, hz: number): View[] {
  const views = replay(trace, context).map((scene) => scene.view);
  const count = Math.floor(trace.end * hz + 1e-9) + 1;
  return Array.from({ length: count }, (_, i) => viewAt(trace, views, i / hz));
}
