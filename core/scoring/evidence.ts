import type { Evidence } from '../criteria';
import { contextFor, type ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { createReplay, lastMoveBy, stepSpans, type Trace, viewAt } from '../trace';

/** Evidence of every step that was reached; null for the others. `steps`: how many there are. */
export function gatherEvidence(steps: number, model: ScoredModel, trace: Trace): (Evidence | null)[] {
  const spans = stepSpans(trace, steps);
  const ends = new Set(spans.flatMap((span) => (span ? [lastMoveBy(trace, span.opened), lastMoveBy(trace, span.to)] : [])));
  // Whole scenes are kept only where a step begins or ends; of all others the view is enough.
  const kept = new Map<number, Scene>();
  const run = createReplay(trace.start, contextFor(model, trace.start));
  const views = trace.moves.map((move, i) => {
    run.perform(move.command, move.gesture?.id);
    if (ends.has(i)) kept.set(i, run.scene());
    return run.scene().view;
  });
  return spans.map((span, index) => {
    if (!span) return null;
    // The first step owns also what was done before its clock started.
    const first = index === 0 ? 0 : lastMoveBy(trace, span.opened) + 1;
    const last = lastMoveBy(trace, span.to);
    const sceneAfter = (move: number): Scene => (move < 0 ? trace.start : (kept.get(move) as Scene));
    return {
      index,
      span,
      before: sceneAfter(first - 1),
      after: sceneAfter(last),
      moves: trace.moves.slice(first, last + 1),
      views: views.slice(first, last + 1),
      trace,
      viewAt: (t) => viewAt(trace, views, t),
    };
  });
}
