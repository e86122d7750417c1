import type { Exercise } from '@core/exercise';
import type { Mesh } from '@core/geometry';
import { type AlikeViews, alikeViews } from '@core/measures';
import { examineExercise, type Finding, type ReachFault, reachFaults } from '@core/scoring';
import type { View } from '@core/view';
import { expose } from 'comlink';

let model: { readonly mesh: Mesh; readonly home: View } | null = null;

/** What is computed for one who builds an exercise, and takes long. */
const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh, home: View): void {
    model = { mesh, home };
  },
  /** Pairs of standard views in which the parts look alike. */
  alikeViews: (parts: readonly string[]): AlikeViews[] => (model ? alikeViews(model.mesh, model.home, parts) : []),
  /** What keeps a draft from being published, and what its author should know; `progress` hears of the share that is done. */
  lookThrough(
    draft: Exercise,
    progress: (share: number) => void,
  ): {
    readonly faults: readonly (Finding & Partial<ReachFault>)[];
    readonly warnings: readonly Finding[];
  } {
    if (!model) return { faults: [], warnings: [] };
    const found = examineExercise(draft, model);
    if (found.faults.length > 0) return found;
    let told = 0;
    // Each hundredth is told, not each picture.
    const tell = (share: number): void => {
      if (share - told < 0.01) return;
      told = share;
      progress(share);
    };
    return { ...found, faults: reachFaults(draft, model, tell) };
  },
};
export type AuthorWorker = typeof api;
expose(api);
