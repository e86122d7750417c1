import { CRITERIA, type Criterion, isLive, measure } from '../criteria';
import type { Step } from '../exercise';
import { measuredNow } from '../goals/measuredNow';
import type { Scheme } from '../input';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { pointsOf } from './startPoints';

/** One criterion as the present scene meets it. */
export interface LiveResult extends Criterion {
  /** In the criterion's own unit; null when it could not be computed. */
  readonly value: number | null;
  /** 0 … 1 */
  readonly points: number;
  /** Of a size: as many times too large as its advice tells it; null where that is not known. */
  readonly tooLarge: number | null;
}

/** The criteria of a step that one scene tells and that weigh something, in the author's order. */
export const liveCriteria = (step: Step): Criterion[] => step.criteria.filter(isLive);

/** How close the present scene comes, while practising: points as they stand, not what was gained. The scheme decides nothing. */
export function judgeNow(step: Step, model: ScoredModel, scene: Scene, _scheme: Scheme | null = null): LiveResult[] {
  const measured = measuredNow(step, model, scene);
  return liveCriteria(step).map((criterion) => {
    const value = measure(criterion.id, measured);
    return { ...criterion, value, points: pointsOf(criterion, value), tooLarge: value === null ? null : (CRITERIA[criterion.id].tooLarge?.(measured) ?? null) };
  });
}
