import { firstAdvice } from '@core/advice';
import { type Advice, CRITERIA } from '@core/criteria';
import type { Step } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import type { ScoredModel } from '@core/model';
import type { CommandKind, Scene } from '@core/navigation';
import { judgeNow, lossOf } from '@core/scoring';
import type { View } from '@core/view';
import { shownValue } from '@web/ui/shownValue';
import { expose } from 'comlink';

let model: ScoredModel | null = null;

/** One criterion as the present scene meets it, with what a page shows of it: the page itself measures nothing. */
export interface LiveBar {
  readonly id: string;
  readonly label: string;
  readonly shown: string;
  /** What the per cent are of. */
  readonly of?: string | undefined;
  /** 0 … 1 */
  readonly points: number;
  readonly weight: number;
}

export interface Closeness {
  readonly results: readonly LiveBar[];
  /** What to do first; null where all is as asked. Its words are made where the keys are known. */
  readonly first: Advice | null;
  /** Kinds of command that would mend what is lost most: what a learner is taken to be about. */
  readonly mendedBy: readonly CommandKind[];
}

const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh, home: View): void {
    model = { mesh, home };
  },
  /** How close a scene comes to a step's goal, by the same functions that the server scores with. */
  judge(step: Step, scene: Scene): Closeness | null {
    if (!model) return null;
    const results = judgeNow(step, model, scene);
    const worst = [...results].sort((a, b) => lossOf(b) - lossOf(a))[0];
    return {
      results: results.map(({ id, value, points, weight, tooLarge }) => ({
        id,
        label: CRITERIA[id].label,
        shown: shownValue(id, value, tooLarge),
        of: CRITERIA[id].of,
        points,
        weight,
      })),
      first: firstAdvice(step, model, scene)?.advice ?? null,
      mendedBy: worst && lossOf(worst) > 0 ? (CRITERIA[worst.id].mendedBy ?? []) : [],
    };
  },
};
export type ClosenessWorker = typeof api;
expose(api);
