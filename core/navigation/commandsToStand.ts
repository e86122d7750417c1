import { addScaled, dot, exact, sub, type Vec3 } from '../math';
import { anglesOf, eyeOf, type View } from '../view';
import type { Command } from './command';

/** Eye height of someone standing, metres. */
export const EYE_HEIGHT = 1.6;
/** What one looks at while standing is taken to be this far away, metres. */
const FOCUS = 2;
/** Field of view of someone standing inside, radians. */
const FIELD = 1.05;

/**
 * The commands that put the eye `height` metres above a point of the floor, level, looking the same way round, in
 * perspective. Applied to `view` in this order.
 */
export function commandsToStand(view: View, floor: Vec3, height = EYE_HEIGHT): Command[] {
  const { ahead, right } = headingOf(view);
  const wanted: Vec3 = [floor[0], floor[1], floor[2] + height];
  const commands: Command[] = [];
  if (view.projection !== 'perspective') commands.push({ kind: 'projection', projection: 'perspective' });
  if (view.fovY !== FIELD) commands.push({ kind: 'fieldOfView', angle: FIELD });
  commands.push({ kind: 'level', verticals: true });
  // The field of view changes the distance; the factor then brings it to the focus.
  const distance = (view.distance * exact.tan(view.fovY / 2)) / exact.tan(FIELD / 2);
  commands.push({ kind: 'zoom', factor: distance / FOCUS });
  // Level and zoom keep the target, so the eye then stands a focus behind it.
  const eye = addScaled(view.target, ahead, -FOCUS);
  const way = sub(wanted, eye);
  commands.push({ kind: 'walk', forward: dot(way, ahead), right: dot(way, right), dt: 1, onGround: true });
  commands.push({ kind: 'rise', metres: way[2] });
  return commands;
}

/** Height of the eye above a floor, metres. */
export const eyeHeightOver = (view: View, floor: number): number => eyeOf(view)[2] - floor;

/** The eye's way on the horizontal: unit vectors ahead and to the right. */
export function headingOf(view: View): { ahead: Vec3; right: Vec3 } {
  const { azimuth } = anglesOf(view.orientation);
  return { ahead: [-exact.sin(azimuth), exact.cos(azimuth), 0], right: [exact.cos(azimuth), exact.sin(azimuth), 0] };
}
