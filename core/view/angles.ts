import { aboutX, aboutZ, backOf, conjugate, exact, multiply, normalise, type Quat, rightOf } from '../math';

/** Where a camera looks from, radians. Azimuth 0 is the front, +pi/2 the right side; elevation +pi/2 is the top. */
export interface Angles {
  readonly azimuth: number;
  readonly elevation: number;
  readonly roll: number;
}

/** Rz(azimuth) * Rx(pi/2 - elevation) * Rz(roll). */
export function orientationFrom(a: Angles): Quat {
  return normalise(multiply(multiply(aboutZ(a.azimuth), aboutX(Math.PI / 2 - a.elevation)), aboutZ(a.roll)));
}

/** Closer to a pole than this, radians, azimuth carries the turn and roll is 0. */
const AT_POLE = 1e-10;

/** Angle brought into (-pi, pi]. */
export function wrapAngle(angle: number): number {
  const turns = Math.floor((angle + Math.PI) / (2 * Math.PI));
  const wrapped = angle - turns * 2 * Math.PI;
  return wrapped <= -Math.PI ? Math.PI : wrapped > Math.PI ? wrapped - 2 * Math.PI : wrapped;
}

/** Inverse of `orientationFrom`: azimuth and roll in (-pi, pi], elevation in [-pi/2, pi/2]. */
export function anglesOf(orientation: Quat): Angles {
  const back = backOf(orientation);
  const flat = Math.sqrt(back[0] * back[0] + back[1] * back[1]);
  if (flat < AT_POLE) {
    const right = rightOf(orientation);
    return { azimuth: inRange(exact.atan2(right[1], right[0])), elevation: back[2] > 0 ? Math.PI / 2 : -Math.PI / 2, roll: 0 };
  }
  const azimuth = exact.atan2(back[0], -back[1]);
  const elevation = exact.atan2(back[2], flat);
  const rest = multiply(conjugate(orientationFrom({ azimuth, elevation, roll: 0 })), orientation);
  return { azimuth: inRange(azimuth), elevation, roll: inRange(wrapAngle(2 * exact.atan2(rest[2], rest[3]))) };
}

/** (-pi, pi] and no negative zero. */
const inRange = (angle: number): number => (angle <= -Math.PI ? Math.PI : angle + 0);
