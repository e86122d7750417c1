import { angleBetween, backOf, conjugate, exact, multiply, type Quat } from '../math';
import { anglesOf, wrapAngle } from '../view';

/** Angle between the two view axes, radians, 0 … pi. */
export const directionError = (actual: Quat, target: Quat): number => angleBetween(backOf(actual), backOf(target));

/** Twist about the camera's own back axis left in target^-1 * actual, with its sign, -pi … pi; 0 where it is undefined. */
function twist(actual: Quat, target: Quat): number {
  const d = multiply(conjugate(target), actual);
  const norm = d[2] * d[2] + d[3] * d[3];
  if (norm < 1e-24) return 0;
  const sign = d[3] < 0 ? -1 : 1;
  return 2 * exact.atan2(d[2] * sign, d[3] * sign);
}

/** Up to this elevation there is a horizon to roll against, radians; from `PLAN` on a roll is a turn of the picture. */
const LEVEL = Math.PI / 3;
const PLAN = (80 * Math.PI) / 180;

/** Share in which roll counts as a turn of the picture: 0 where there is a horizon, 1 near plan views. */
function planShare(a: number, b: number): number {
  return Math.min(1, Math.max(0, (Math.max(Math.abs(a), Math.abs(b)) - LEVEL) / (PLAN - LEVEL)));
}

interface Rolled {
  /** Difference in roll against the horizon, with its sign, radians. */
  readonly horizon: number;
  /** Twist left after aligning the axes, with its sign, radians. */
  readonly twist: number;
  readonly share: number;
}

function rolled(actual: Quat, target: Quat): Rolled {
  const a = anglesOf(actual);
  const t = anglesOf(target);
  return { horizon: wrapAngle(a.roll - t.roll), twist: twist(actual, target), share: planShare(a.elevation, t.elevation) };
}

/**
 * How far the picture is rolled, 0 … pi: the difference in roll against the horizon, as a turn of the picture near plan
 * views, and continuously from one to the other between elevations of 60 and 80 degrees. Two level views differ by none.
 */
export function rollError(actual: Quat, target: Quat): number {
  const { horizon, twist: s, share } = rolled(actual, target);
  return (1 - share) * Math.abs(horizon) + share * Math.abs(s);
}

/** The turn that undoes the larger share of the roll, with its sign, -pi … pi: a roll command of its negative mends it. */
export function signedRoll(actual: Quat, target: Quat): number {
  const { horizon, twist: s, share } = rolled(actual, target);
  return share < 0.5 ? horizon : s;
}
