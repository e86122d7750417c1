import { type Command, type Context, EMPTY_HISTORY, type Scene } from '../navigation';
import type { View } from '../view';
import type { Recording } from './recordingSchema';
import { createReplay, lastMoveBy, mixViews } from './replay';
import type { Move } from './traceSchema';

export type { Recording } from './recordingSchema';

type RecordedMove = Recording['moves'][number];

/** A recording keeps so many commands of a gesture a second: more is not seen. */
const RATE = 25;
/** What is left before the first movement and after the last, seconds. */
const LEAD = 0.4;
const REST = 0.8;

/** One command that does what two do one after the other; null where they are not alike. Summed as the commands of one drag are. */
function joined(a: Command, b: Command): Command | null {
  if (a.kind === 'orbit' && b.kind === 'orbit' && a.mode === 'turntable' && b.mode === 'turntable' && String(a.pivot) === String(b.pivot))
    return { ...b, dx: a.dx + b.dx, dy: a.dy + b.dy };
  if (a.kind === 'pan' && b.kind === 'pan' && a.depth === b.depth) return { ...b, dx: a.dx + b.dx, dy: a.dy + b.dy };
  if (a.kind === 'zoom' && b.kind === 'zoom' && !a.at && !b.at) return { ...b, factor: a.factor * b.factor };
  if (a.kind === 'look' && b.kind === 'look') return { ...b, yaw: a.yaw + b.yaw, pitch: a.pitch + b.pitch };
  if (a.kind === 'roll' && b.kind === 'roll') return { ...b, angle: a.angle + b.angle };
  return null;
}

/** Commands of one gesture that follow each other closely become one. */
function thinned(moves: readonly RecordedMove[]): RecordedMove[] {
  const kept: RecordedMove[] = [];
  let since = Number.NEGATIVE_INFINITY;
  for (const move of moves) {
    const last = kept.at(-1);
    const near = last && last.gesture !== undefined && last.gesture === move.gesture && move.t - since < 1 / RATE;
    const one = near ? joined(last.command, move.command) : null;
    if (one) kept[kept.length - 1] = { ...move, command: one };
    else {
      // The first of a gesture stays by itself: the gesture is seen to begin where it did.
      since = last && last.gesture === move.gesture ? move.t : Number.NEGATIVE_INFINITY;
      kept.push(move);
    }
  }
  return kept;
}

/** Moves between two moments as a recording of their own, to a millisecond. */
function cutOut(start: Scene, moves: readonly RecordedMove[], from: number, to: number): Recording {
  const after = (t: number): number => Math.round((t - from) * 1e3) / 1e3;
  return { start, moves: moves.map((move) => ({ ...move, t: after(move.t) })), seconds: after(to) };
}

/** What was done from a scene on, as a recording: it begins shortly before the first movement. Null: nothing was. */
export function recordingOf(start: Scene, done: readonly Move[]): Recording | null {
  const first = done[0];
  const last = done.at(-1);
  if (!first || !last) return null;
  const moves = thinned(done.map(({ t, command, gesture }) => ({ t, command, ...(gesture ? { gesture: gesture.id } : {}) })));
  const from = first.t - LEAD;
  return cutOut({ ...start, history: EMPTY_HISTORY }, moves, from, last.t + REST);
}

/** A moment of a recording: the scene, and the number of the last command done, -1 before the first. */
export interface Played {
  readonly scene: Scene;
  readonly move: number;
}

/** What a recording shows at each moment, seconds from its beginning; inside a gesture between its commands. */
export function playing({ start, moves }: Recording, context: Context): (t: number) => Played {
  const run = createReplay(start, context);
  const scenes = moves.map(({ command, gesture }) => {
    run.perform(command, gesture);
    return run.scene();
  });
  const first: Scene = { ...start, history: EMPTY_HISTORY };
  return (t) => {
    const move = lastMoveBy({ moves }, t);
    const scene = move < 0 ? first : (scenes[move] as Scene);
    const [here, next] = [moves[move], moves[move + 1]];
    const after = scenes[move + 1];
    if (!here || !next || !after || here.gesture === undefined || here.gesture !== next.gesture || next.t <= here.t) return { scene, move };
    const view: View = mixViews(scene.view, after.view, (t - here.t) / (next.t - here.t));
    return { scene: { ...scene, view }, move };
  };
}

/** A recording between two of its moments. Null: nothing moves between them. */
export function trimmedRecording(recording: Recording, context: Context, from: number, to: number): Recording | null {
  const moves = recording.moves.filter(({ t }) => t > from && t <= to);
  if (moves.length === 0) return null;
  const { scene } = playing({ ...recording, moves: recording.moves.filter(({ t }) => t <= from) }, context)(from);
  return cutOut(scene, moves, from, to);
}
