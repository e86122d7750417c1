import type { Evidence } from '../criteria';
import type { RedactedGoal } from '../goals';
import { ownStarts } from '../goals/ownStarts';
import { contextFor, type ScoredModel } from '../model';
import { lastMoveBy, type MovedScenes, movedScenes, type OwnStarts, stepSpans, type Trace, viewAt } from '../trace';

/** Evidence of every step that was reached; null for the others. `own`: the scenes of their own in which steps begin. */
export function gatherEvidence(
  steps: readonly { readonly goal: RedactedGoal }[],
  model: ScoredModel,
  trace: Trace,
  own: OwnStarts = ownStarts(steps, model, trace.start, trace.seed),
  { views, sceneAfter }: MovedScenes = movedScenes(trace, contextFor(model, trace.start), own),
): (Evidence | null)[] {
  return stepSpans(trace, steps.length).map((span, index) => {
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

/** An attempt replayed: the scenes of their own in which steps begin, and what each step left behind. */
export interface Gathered {
  readonly own: OwnStarts;
  readonly evidence: readonly (Evidence | null)[];
}

export function gathered(steps: readonly { readonly goal: RedactedGoal }[], model: ScoredModel, trace: Trace): Gathered {
  const own = ownStarts(steps, model, trace.start, trace.seed);
  return { own, evidence: gatherEvidence(steps, model, trace, own) };
}
