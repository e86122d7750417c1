import type { Scene } from '../navigation';
import { lastMoveBy, type Move, pausedBetween, type StepSpan, type Trace } from '../trace';
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

/** What a step had left behind at a moment of it, seconds from opening: as if it had ended there. */
export function evidenceUpTo(evidence: Evidence, t: number): Evidence {
  const { span, trace, moves, views } = evidence;
  if (t >= span.to) return evidence;
  const last = lastMoveBy(evidence, t);
  const from = Math.min(span.from, t);
  return {
    ...evidence,
    span: { ...span, from, to: t, seconds: Math.max(0, t - from - pausedBetween(trace, from, t)) },
    after: evidence.sceneAfter(last),
    moves: moves.slice(0, last + 1),
    views: views.slice(0, last + 1),
    trace: { ...trace, events: trace.events.filter((event) => event.t <= t), end: t },
  };
}

/** What is made of the scene at a moment, by the last move before it; made once a move. */
export function madeAt<T>(
  evidence: Pick<Evidence, 'moves' | 'sceneAfter'>,
  make: (scene: Scene) => T,
): (t: number) => { readonly scene: Scene; readonly made: T } {
  const known = new Map<number, { readonly scene: Scene; readonly made: T }>();
  return (t) => {
    const move = lastMoveBy(evidence, t);
    let found = known.get(move);
    if (!found) {
      const scene = evidence.sceneAfter(move);
      known.set(move, (found = { scene, made: make(scene) }));
    }
    return found;
  };
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
