import { angleBetween, backOf, conjugate, exact, multiply, type Quat } from '../math';

/** Angle between the two view axes, 0 … pi. */
export const directionError = (actual: Quat, target: Quat): number => angleBetween(backOf(actual), backOf(target));

/** Twist about the camera's own back axis left in target^-1 * actual, with its sign, -pi … pi; 0 where it is undefined. */
export function signedRoll(actual: Quat, target: Quat): number {
  const d = multiply(conjugate(target), actual);
  const norm = d[2] * d[2] + d[3] * d[3];
  if (norm < 1e-24) return 0;
  const sign = d[3] < 0 ? -1 : 1;
  return 2 * exact.atan2(d[2] * sign, d[3] * sign);
}

/** Swing-twist: the twist left after aligning the axes, 0 … pi. */
export const rollError = (actual: Quat, target: Quat): number => Math.abs(signedRoll(actual, target));
