import type { z } from 'zod';
import { addScaled, backOf, type Quat, type Vec3 } from '../math';
import type { viewSchema } from './viewSchema';

/**
 * A camera. `target`: the point on the view axis at focal distance, metres. `orientation`: camera to world, the camera
 * looks along its -Z. `distance`: eye to target, metres. `fovY`: vertical field of view of the frame, radians.
 */
export type View = z.infer<typeof viewSchema>;
export type Projection = View['projection'];

/** Distances a view can have, metres. */
export const MIN_DISTANCE = 1e-6;
export const MAX_DISTANCE = 1e9;
/** Width over height of the frame that every score refers to. */
export const FRAME_ASPECT = 1.6;
/** The fixed frame that pixel arguments of commands refer to. */
export const FRAME = { width: 1600, height: 1000 } as const;

export const eyeOf = (view: View): Vec3 => addScaled(view.target, backOf(view.orientation), view.distance);

export const clampDistance = (d: number): number => Math.min(MAX_DISTANCE, Math.max(MIN_DISTANCE, d));

/** Rounding: of the distance, of a component of the orientation, of the target over the larger of 1 m and the distance. */
const ROUNDING = 1e-12;

/** Whether two views differ by no more than rounding. */
export function nearlySameView(a: View, b: View): boolean {
  const reach = ROUNDING * Math.max(1, a.distance);
  return (
    a.projection === b.projection &&
    Math.abs(a.fovY - b.fovY) <= ROUNDING &&
    Math.abs(a.distance - b.distance) <= ROUNDING * a.distance &&
    a.target.every((x, i) => Math.abs(x - (b.target[i] as number)) <= reach) &&
    a.orientation.every((x: number, i: number) => Math.abs(x - ((b.orientation as Quat)[i] as number)) <= ROUNDING)
  );
}

export function sameView(a: View, b: View): boolean {
  return (
    a.distance === b.distance &&
    a.projection === b.projection &&
    a.fovY === b.fovY &&
    a.target.every((x, i) => x === b.target[i]) &&
    a.orientation.every((x: number, i: number) => x === (b.orientation as Quat)[i])
  );
}
