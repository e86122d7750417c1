import type { Mesh, Plane } from '@core/geometry';
import { expose, transfer } from 'comlink';
import type { SerializedBVH } from 'three-mesh-bvh';
import { type Caps, createPlaneSearch, makeCaps } from './makeCaps';

let model: { mesh: Mesh; crossing: (plane: Plane) => Uint32Array } | null = null;

const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh, bvh: SerializedBVH): void {
    model = { mesh, crossing: createPlaneSearch(mesh, bvh) };
  },
  /** Caps of the listed parts (numbers) where the plane cuts them. */
  caps(plane: Plane, shown: readonly number[]): Caps | null {
    if (!model) return null;
    const made = makeCaps(model.mesh, plane, shown, model.crossing(plane));
    return transfer(made, [made.positions.buffer, made.colours.buffer, made.lines.buffer]);
  },
};
export type CapsWorker = typeof api;
expose(api);
