import type { Exercise } from '../exercise';
import { NO_DETAIL, type StepDetail } from '../goals/detail';
import { detailOf } from '../goals/details';
import type { ScoredModel } from '../model';
import type { Trace } from '../trace';
import { gatherEvidence } from './evidence';

export type { StepDetail, Unrolled } from '../goals/detail';

/** What each step's picture of the difference is drawn from. */
export function detailsOf(exercise: Pick<Exercise, 'steps' | 'allowed'>, model: ScoredModel, trace: Trace): StepDetail[] {
  const evidence = gatherEvidence(exercise.steps, model, trace);
  return exercise.steps.map(({ goal }, i) => {
    const found = evidence[i];
    return found ? detailOf(goal)(goal, found, model, exercise.allowed) : NO_DETAIL;
  });
}
