import { atan2, cos, sin } from './exact';
import { cross, dot, length, perpendicular, unit, type Vec3 } from './vec3';

/** A unit quaternion [x, y, z, w]. */
export type Quat = readonly [x: number, y: number, z: number, w: number];

export const IDENTITY: Quat = [0, 0, 0, 1];

export function multiply(a: Quat, b: Quat): Quat {
  return [
    a[3] * b[0] + a[0] * b[3] + a[1] * b[2] - a[2] * b[1],
    a[3] * b[1] - a[0] * b[2] + a[1] * b[3] + a[2] * b[0],
    a[3] * b[2] + a[0] * b[1] - a[1] * b[0] + a[2] * b[3],
    a[3] * b[3] - a[0] * b[0] - a[1] * b[1] - a[2] * b[2],
  ];
}

export const conjugate = (q: Quat): Quat => [-q[0], -q[1], -q[2], q[3]];

export function normalise(q: Quat): Quat {
  const l = Math.sqrt(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3]);
  return [q[0] / l, q[1] / l, q[2] / l, q[3] / l];
}

/** Rotation by `angle` about the unit `axis`. */
export function fromAxisAngle(axis: Vec3, angle: number): Quat {
  const s = sin(angle / 2);
  return [axis[0] * s, axis[1] * s, axis[2] * s, cos(angle / 2)];
}

export const aboutZ = (angle: number): Quat => [0, 0, sin(angle / 2), cos(angle / 2)];
export const aboutX = (angle: number): Quat => [sin(angle / 2), 0, 0, cos(angle / 2)];

export function rotate(q: Quat, v: Vec3): Vec3 {
  const [x, y, z, w] = q;
  const tx = 2 * (y * v[2] - z * v[1]);
  const ty = 2 * (z * v[0] - x * v[2]);
  const tz = 2 * (x * v[1] - y * v[0]);
  return [v[0] + w * tx + y * tz - z * ty, v[1] + w * ty + z * tx - x * tz, v[2] + w * tz + x * ty - y * tx];
}

/** The camera's own axes in world coordinates. */
export const rightOf = (q: Quat): Vec3 => [1 - 2 * (q[1] * q[1] + q[2] * q[2]), 2 * (q[0] * q[1] + q[3] * q[2]), 2 * (q[0] * q[2] - q[3] * q[1])];
export const upOf = (q: Quat): Vec3 => [2 * (q[0] * q[1] - q[3] * q[2]), 1 - 2 * (q[0] * q[0] + q[2] * q[2]), 2 * (q[1] * q[2] + q[3] * q[0])];
export const backOf = (q: Quat): Vec3 => [2 * (q[0] * q[2] + q[3] * q[1]), 2 * (q[1] * q[2] - q[3] * q[0]), 1 - 2 * (q[0] * q[0] + q[1] * q[1])];

/** Full angle of the rotation from `a` to `b`, 0 … pi; q and -q are the same. */
export function angleOfRotation(a: Quat, b: Quat): number {
  const d = multiply(conjugate(a), b);
  return 2 * atan2(Math.sqrt(d[0] * d[0] + d[1] * d[1] + d[2] * d[2]), Math.abs(d[3]));
}

/** Smallest rotation that takes the unit vector `from` onto `to`; opposite vectors turn about `fallback`. */
export function between(from: Vec3, to: Vec3, fallback: Vec3): Quat {
  const c = cross(from, to);
  const s = length(c);
  const d = dot(from, to);
  if (s < 1e-12 && d < 0) {
    const axis = unit(fallback) ?? perpendicular(from);
    return [axis[0], axis[1], axis[2], 0];
  }
  const half = atan2(s, d) / 2;
  const axis = unit(c);
  if (!axis) return IDENTITY;
  const k = sin(half);
  return [axis[0] * k, axis[1] * k, axis[2] * k, cos(half)];
}

/** Spherical interpolation along the shorter way, t in 0 … 1. */
export function slerp(a: Quat, b: Quat, t: number): Quat {
  let d = a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3];
  let sign = 1;
  if (d < 0) {
    d = -d;
    sign = -1;
  }
  const e = multiply(conjugate(a), [b[0] * sign, b[1] * sign, b[2] * sign, b[3] * sign]);
  const v = Math.sqrt(e[0] * e[0] + e[1] * e[1] + e[2] * e[2]);
  if (v < 1e-15) return a;
  const half = atan2(v, e[3]) * t;
  const k = sin(half) / v;
  return normalise(multiply(a, [e[0] * k, e[1] * k, e[2] * k, cos(half)]));
}
