import type { Mesh } from '@core/geometry';
import { type SeenPlace, seenPicture } from '@core/measures';
import type { Scene } from '@core/navigation';
import { expose } from 'comlink';

let model: Mesh | null = null;

/** Tells what was seen from what was not, pixel by pixel. */
const api = {
  /** Gives the worker its model once. */
  open(mesh: Mesh): void {
    model = mesh;
  },
  picture: (parts: readonly string[], places: readonly SeenPlace[], scene: Scene, width: number, height: number): Uint8Array =>
    model ? seenPicture(model, parts, places, scene, width, height) : new Uint8Array(width * height),
};
export type SeenWorker = typeof api;
expose(api);
