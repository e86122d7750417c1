import type { Mesh } from '@core/geometry';
import { type AlikeViews, alikeViews } from '@core/measures';
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
};
export type AuthorWorker = typeof api;
expose(api);
