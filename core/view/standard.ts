import { aboutZ, angleBetween, angleOfRotation, backOf, exact, multiply, normalise, type Quat, type Vec3 } from '../math';
import { type Angles, orientationFrom } from './angles';
import { STANDARD_NAMES, type StandardName } from './standardNames';

/** Azimuth, elevation and roll (0) of a standard view, radians. */
export function standardAngles(name: StandardName): Angles {
  const words = name.split('-');
  const height = words.includes('top') ? 1 : words.includes('bottom') ? -1 : 0;
  const away = words.includes('front') ? -1 : words.includes('rear') ? 1 : 0;
  const side = words.includes('right') ? 1 : words.includes('left') ? -1 : 0;
  const flat = Math.sqrt(away * away + side * side);
  return {
    azimuth: flat === 0 ? 0 : exact.atan2(side, -away) + 0,
    elevation: flat === 0 ? (height * Math.PI) / 2 : exact.atan2(height, flat),
    roll: 0,
  };
}

const ORIENTATIONS = new Map<StandardName, Quat>(STANDARD_NAMES.map((name) => [name, orientationFrom(standardAngles(name))]));

/** Camera orientation of a standard view; top and bottom stand at azimuth 0. */
export function standardOrientation(name: StandardName): Quat {
  const found = ORIENTATIONS.get(name);
  if (!found) throw new Error(`there is no standard view named "${name}"`);
  return found;
}

/** All orientations that count as a standard view: the plan views in each of their four quarter turns. */
const COUNTED: readonly { name: StandardName; orientation: Quat }[] = STANDARD_NAMES.flatMap((name): { name: StandardName; orientation: Quat }[] => {
  const orientation = standardOrientation(name);
  if (name !== 'top' && name !== 'bottom') return [{ name, orientation }];
  return [0, 1, 2, 3].map((k) => ({ name, orientation: normalise(multiply(aboutZ((k * Math.PI) / 2), orientation)) }));
});

/** Least full rotation (roll included) to the named standard view, radians. */
export function angleToStandard(orientation: Quat, name: StandardName): number {
  let least = Number.POSITIVE_INFINITY;
  for (const entry of COUNTED) if (entry.name === name) least = Math.min(least, angleOfRotation(entry.orientation, orientation));
  return least;
}

/** The nearest standard view, the full rotation to it in radians, and the orientation (with its quarter turn). */
export function nearestStandard(orientation: Quat): { name: StandardName; angle: number; orientation: Quat } {
  let best = COUNTED[0] as (typeof COUNTED)[number];
  let least = Number.POSITIVE_INFINITY;
  for (const entry of COUNTED) {
    const angle = angleOfRotation(entry.orientation, orientation);
    if (angle < least - 1e-12) {
      least = angle;
      best = entry;
    }
  }
  return { name: best.name, angle: least, orientation: best.orientation };
}

/** Direction to the eye of a standard view. */
export const standardDirection = (name: StandardName): Vec3 => backOf(standardOrientation(name));

/** The standard view whose direction to the eye is nearest to this one. */
export function nearestStandardDirection(direction: Vec3): StandardName {
  let nearest: StandardName = 'front';
  let least = Number.POSITIVE_INFINITY;
  for (const name of STANDARD_NAMES) {
    const angle = angleBetween(standardDirection(name), direction);
    if (angle < least - 1e-12) {
      least = angle;
      nearest = name;
    }
  }
  return nearest;
}
