import { type Context, EMPTY_HISTORY, type Scene } from '../navigation';
import type { View } from '../view';
import { createReplay, type OwnStarts, replayMoves } from './replay';
import type { Trace } from './traceSchema';

/** All scenes of an attempt, none with its history. */
export interface MovedScenes {
  /** View after each move. */
  readonly views: readonly View[];
  /** The scene after a move, by its number; -1: the start. */
  readonly sceneAfter: (move: number) => Scene;
}

/** All of a scene but its view. */
type Rest = Omit<Scene, 'view' | 'history'>;

const restOf = ({ section, visibility, style, selection }: Scene): Rest => ({ section, visibility, style, selection });
const sameRest = (a: Rest, b: Scene): boolean => a.section === b.section && a.visibility === b.visibility && a.style === b.style && a.selection === b.selection;

/** Replays an attempt once and keeps what was shown after each move. Of most moves only the view changes: the rest is kept once for all of them. */
export function movedScenes(trace: Trace, context: Context, own: OwnStarts): MovedScenes {
  const run = createReplay(trace.start, context);
  const views: View[] = [];
  const rests: Rest[] = [];
  replayMoves(run, trace, own, () => {
    const scene = run.scene();
    const last = rests.at(-1);
    views.push(scene.view);
    rests.push(last && sameRest(last, scene) ? last : restOf(scene));
  });
  return {
    views,
    sceneAfter: (move) => (move < 0 ? trace.start : { ...(rests[move] as Rest), view: views[move] as View, history: EMPTY_HISTORY }),
  };
}
