import type { Evidence } from '../criteria';
import type { Step } from '../exercise';
import { ownStarts } from '../goals/ownStarts';
import { contextFor, type ScoredModel } from '../model';
import { EMPTY_HISTORY, type Scene } from '../navigation';
import { createReplay, lastMoveBy, type OwnStarts, replayMoves, stepSpans, type Trace, viewAt } from '../trace';

/** All of a scene but its view. */
type Rest = Omit<Scene, 'view' | 'history'>;

const restOf = ({ section, visibility, style, selection }: Scene): Rest => ({ section, visibility, style, selection });
const sameRest = (a: Rest, b: Scene): boolean => a.section === b.section && a.visibility === b.visibility && a.style === b.style && a.selection === b.selection;

/** Evidence of every step that was reached; null for the others. `own`: the scenes of their own in which steps begin. */
export function gatherEvidence(
  steps: readonly Pick<Step, 'goal'>[],
  model: ScoredModel,
  trace: Trace,
  own: OwnStarts = ownStarts(steps, model, trace.start, trace.seed),
): (Evidence | null)[] {
  const spans = stepSpans(trace, steps.length);
  const run = createReplay(trace.start, contextFor(model, trace.start));
  // Of most moves only the view changes: the rest of the scene is kept once for all of them.
  const views: Scene['view'][] = [];
  const rests: Rest[] = [];
  replayMoves(run, trace, own, () => {
    const scene = run.scene();
    const last = rests.at(-1);
    views.push(scene.view);
    rests.push(last && sameRest(last, scene) ? last : restOf(scene));
  });
  const sceneAfter = (move: number): Scene =>
    move < 0 ? trace.start : { ...(rests[move] as Rest), view: views[move] as Scene['view'], history: EMPTY_HISTORY };
  return spans.map((span, index) => {
    if (!span) return null;
    // The first step owns also what was done before its clock started.
    const first = index === 0 && span.begun === undefined ? 0 : lastMoveBy(trace, span.opened) + 1;
    const last = lastMoveBy(trace, span.to);
    // Whoever looked round begins where the step began.
    const before = own(index) ?? sceneAfter(index === 0 ? -1 : lastMoveBy(trace, span.begun ?? span.opened));
    return {
      index,
      span,
      before,
      after: last < first ? before : sceneAfter(last),
      moves: trace.moves.slice(first, last + 1),
      views: views.slice(first, last + 1),
      sceneAfter: (move) => (move < 0 ? before : sceneAfter(first + move)),
      trace,
      viewAt: (t) => (lastMoveBy(trace, t) < first ? before.view : viewAt(trace, views, t)),
    };
  });
}
