import { cross, dot, perpendicular, unit, type Vec3 } from '../math';
import type { Plane } from './planeSchema';

export type { Plane } from './planeSchema';

/** Orthonormal axes in the plane, x × y = normal; a point p has the coordinates (p·x, p·y), metres. */
export function planeAxes(plane: Plane): { x: Vec3; y: Vec3 } {
  const n = plane.normal;
  const x = Math.abs(n[2]) > 0.999999 ? ([1, 0, 0] as const) : (unit(cross([0, 0, 1], n)) ?? perpendicular(n));
  const square = unit([x[0] - n[0] * dot(x, n), x[1] - n[1] * dot(x, n), x[2] - n[2] * dot(x, n)]) ?? perpendicular(n);
  return { x: square, y: cross(n, square) };
}

/** Signed distance of a point, metres; positive is the side that is cut away. */
export const heightOver = (plane: Plane, point: Vec3): number => dot(plane.normal, point) - plane.offset;
