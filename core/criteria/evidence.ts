import type { Scene } from '../navigation';
import type { Move, StepSpan, Trace } from '../trace';
import type { View } from '../view';

/** What one step left behind to be judged. */
export interface Evidence {
  /** Number of the step, from 0. */
  readonly index: number;
  readonly span: StepSpan;
  readonly before: Scene;
  readonly after: Scene;
  readonly moves: readonly Move[];
  /** View after each of `moves`. */
  readonly views: readonly View[];
  /** The scene after a move, by its number in `moves`; -1: before the first. */
  readonly sceneAfter: (move: number) => Scene;
  readonly trace: Trace;
  /** View at a time, seconds from opening. */
  readonly viewAt: (t: number) => View;
}

/** What an attempt leaves that does nothing at all: no time, no gesture, no answer. */
export function untouched(scene: Scene, trace: Trace, index: number): Evidence {
  const still: Trace = { ...trace, moves: [], events: [], end: 0 };
  return {
    index,
    span: { opened: 0, from: 0, to: 0, seconds: 0 },
    before: scene,
    after: scene,
    moves: [],
    views: [],
    sceneAfter: () => scene,
    trace: still,
    viewAt: () => scene.view,
  };
}
