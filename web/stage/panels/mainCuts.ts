import type { Plane } from '@core/geometry';
import { dot, type Vec3 } from '@core/math';

/** The three main directions, by the side that is cut away. */
export const MAIN_CUTS: readonly { words: string; normal: Vec3 }[] = [
  { words: 'From the front', normal: [0, -1, 0] },
  { words: 'From the right', normal: [1, 0, 0] },
  { words: 'From the top', normal: [0, 0, 1] },
];

/** The plane with this normal through a point. */
export const planeThrough = (normal: Vec3, point: Vec3): Plane => ({ normal, offset: dot(normal, point) });
