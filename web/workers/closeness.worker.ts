import type { Step } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import type { LabelledScheme } from '@core/input';
import type { Scene } from '@core/navigation';
import { type CriterionResult, judgeNow, type ScoredModel, worstOf } from '@core/scoring';
import type { View } from '@core/view';
import { expose } from 'comlink';

let model: ScoredModel | null = null;

export interface Closeness {
  readonly results: readonly CriterionResult[];
  readonly worst: CriterionResult | null;
}

const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh, home: View): void {
    model = { mesh, home };
  },
  /** How close a scene comes to a step's goal, by the same functions that the server scores with. */
  judge(step: Step, scene: Scene, scheme: LabelledScheme): Closeness | null {
    if (!model) return null;
    const results = judgeNow(step, model, scene, scheme);
    return { results, worst: worstOf(results) };
  },
};
export type ClosenessWorker = typeof api;
expose(api);
