import { atan2, sin } from './exact';

/** A point or direction in metres, world axes: +X right, +Y away from the front, +Z up. */
export type Vec3 = readonly [x: number, y: number, z: number];

export const add = (a: Vec3, b: Vec3): Vec3 => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const sub = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const scale = (a: Vec3, k: number): Vec3 => [a[0] * k, a[1] * k, a[2] * k];
/** a + b * k */
export const addScaled = (a: Vec3, b: Vec3, k: number): Vec3 => [a[0] + b[0] * k, a[1] + b[1] * k, a[2] + b[2] * k];
export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vec3, b: Vec3): Vec3 => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/** Length, safe from overflow and underflow. */
export function length(a: Vec3): number {
  const big = Math.max(Math.abs(a[0]), Math.abs(a[1]), Math.abs(a[2]));
  if (big === 0 || !Number.isFinite(big)) return big;
  const x = a[0] / big;
  const y = a[1] / big;
  const z = a[2] / big;
  return big * Math.sqrt(x * x + y * y + z * z);
}

export const distanceBetween = (a: Vec3, b: Vec3): number => length(sub(a, b));

/** Unit vector along `a`, or null for a vector without direction. */
export function unit(a: Vec3): Vec3 | null {
  const big = Math.max(Math.abs(a[0]), Math.abs(a[1]), Math.abs(a[2]));
  if (!(big > 0) || !Number.isFinite(big)) return null;
  const s: Vec3 = [a[0] / big, a[1] / big, a[2] / big];
  const l = Math.sqrt(dot(s, s));
  return [s[0] / l, s[1] / l, s[2] / l];
}

/** Angle between two directions, 0 … pi; exact near both ends. */
export function angleBetween(a: Vec3, b: Vec3): number {
  return atan2(length(cross(a, b)), dot(a, b));
}

/** A unit vector at right angles to the unit vector `a`. */
export function perpendicular(a: Vec3): Vec3 {
  const other: Vec3 = Math.abs(a[2]) < 0.9 ? [0, 0, 1] : [1, 0, 0];
  return unit(cross(other, a)) ?? [1, 0, 0];
}

/** Great-circle interpolation between unit vectors, t in 0 … 1. */
export function slerpDirection(a: Vec3, b: Vec3, t: number, angle = angleBetween(a, b)): Vec3 {
  const s = sin(angle);
  if (s < 1e-9) {
    if (angle < 1) return unit([a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t, a[2] + (b[2] - a[2]) * t]) ?? a;
    const p = perpendicular(a);
    const turned = addScaled(scale(a, sin(Math.PI / 2 - angle * t)), p, sin(angle * t));
    return unit(turned) ?? a;
  }
  return unit(addScaled(scale(a, sin((1 - t) * angle) / s), b, sin(t * angle) / s)) ?? a;
}
