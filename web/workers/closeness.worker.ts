import { firstAdvice } from '@core/advice';
import { type Advice, CRITERIA } from '@core/criteria';
import type { Step } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import { type LiveProgress, liveProgress } from '@core/goals/liveProgress';
import type { ScoredModel } from '@core/model';
import type { CommandKind, Scene } from '@core/navigation';
import { judgeNow, lossOf } from '@core/scoring';
import type { View } from '@core/view';
import { shownValue } from '@web/ui/shownValue';
import { expose } from 'comlink';

let model: ScoredModel | null = null;
/** What the present step has come to. */
let progress: { readonly key: string; readonly of: LiveProgress | null } | null = null;

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
  /** Whether it wants to be told when the hand rests. */
  readonly wantsRest?: boolean;
}

const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh, home: View): void {
    model = { mesh, home };
  },
  /**
   * How close a scene comes to a step's goal, by the same functions that the server scores with. `attempt`: names the attempt and
   * the step, so that what grows with what is looked at begins anew; `rests`: whether the hand rests at the scene.
   */
  judge(step: Step, scene: Scene, attempt: string, rests: boolean): Closeness | null {
    if (!model) return null;
    if (progress?.key !== attempt) {
      progress = { key: attempt, of: liveProgress(step, model) };
      progress.of?.add(scene);
    } else if (rests) progress.of?.add(scene);
    const results = [...(progress.of?.results() ?? []).map((result) => ({ ...result, tooLarge: null })), ...judgeNow(step, model, scene)];
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
      first: firstAdvice(step, model, scene)?.advice ?? progress.of?.advice() ?? null,
      ...(progress.of ? { wantsRest: true } : {}),
      mendedBy: worst && lossOf(worst) > 0 ? (CRITERIA[worst.id].mendedBy ?? []) : [],
    };
  },
};
export type ClosenessWorker = typeof api;
expose(api);
