import { type Criterion, measure, measuredOf, pointsFor, untouched } from '../criteria';
import type { Step } from '../exercise';
import { aimOf, picturedBy } from '../goals';
import { ownStarts } from '../goals/ownStarts';
import type { ScoredModel } from '../model';
import { EMPTY_HISTORY, type Scene } from '../navigation';
import type { OwnStarts, Trace } from '../trace';

/** Points of a criterion; without a value none. */
export const pointsOf = (criterion: Criterion, value: number | null): number => (value === null ? 0 : pointsFor(value, criterion));

/** Points of each criterion of a step for a scene that is handed in untouched: no time, no gesture, no answer. */
function pointsUntouched(step: Step, index: number, model: ScoredModel, scene: Scene, trace: Trace): number[] {
  const still = untouched(scene, trace, index);
  const measured = measuredOf(aimOf(step), model, scene, still);
  return step.criteria.map((criterion) => pointsOf(criterion, measure(criterion.id, measured)));
}

/**
 * What each step's criteria would earn untouched. For a later step, criterion by criterion, the larger of what the start
 * earns and what the scene earns that the step before asks for; of a step that begins in a scene of its own, what that earns.
 */
export function startPoints(
  steps: readonly Step[],
  model: ScoredModel,
  trace: Trace,
  own: OwnStarts = ownStarts(steps, model, trace.start, trace.seed),
): number[][] {
  const start: Scene = { ...trace.start, history: EMPTY_HISTORY };
  return steps.map((step, i) => {
    const mine = own(i);
    if (mine) return pointsUntouched(step, i, model, mine, trace);
    const fromStart = pointsUntouched(step, i, model, start, trace);
    const before = steps[i - 1];
    const asked = before && picturedBy(before.goal, start);
    if (!asked) return fromStart;
    const fromBefore = pointsUntouched(step, i, model, asked, trace);
    return fromStart.map((points, k) => Math.max(points, fromBefore[k] ?? 0));
  });
}
