import { addScaled, dot, length, scale, unit, type Vec3 } from '@core/math';
import { type Command, headingOf, type Scene } from '@core/navigation';
import { eyeOf } from '@core/view';
import type { Caster } from './picking';

/** A step up this high is walked up, metres; a step down as well. */
export const STEP_UP = 0.45;
/** Nearer than this to a wall the body stops, metres. */
const BODY = 0.25;
/** The eye never goes lower over the ground than this, metres. */
const LOWEST = 0.1;
const DOWN: Vec3 = [0, 0, -1];

export interface Walking {
  readonly onFloor: boolean;
  readonly walls: boolean;
  /** Height of the ground outside all floors, world metres. */
  readonly ground: number;
}

/** Height of the first surface straight under a point, metres; the ground's where there is none above it. */
export function floorUnder(cast: Caster, scene: Scene, from: Vec3, ground: number): number {
  const hit = cast(scene, from, DOWN);
  return hit ? Math.max(hit.point[2], ground) : ground;
}

const flat = (v: Vec3): Vec3 => [v[0], v[1], 0];

/** How far of `way` (world metres) the body may go before a wall, at knee and eye height; along the wall when it meets one aslant. */
function clearOfWalls(cast: Caster, scene: Scene, eye: Vec3, feet: number, way: Vec3): Vec3 {
  let left = way;
  for (let turns = 0; turns < 2; turns++) {
    const direction = unit(left);
    if (!direction) return [0, 0, 0];
    const far = length(left) + BODY;
    const heights = [feet + STEP_UP + 0.02, eye[2]];
    const hits = heights.map((z) => cast(scene, [eye[0], eye[1], z], direction)).filter((hit) => hit !== null && hit.distance < far);
    const nearest = hits.sort((a, b) => (a?.distance ?? 0) - (b?.distance ?? 0))[0];
    if (!nearest) return left;
    const normal = unit(flat(nearest.normal));
    // A slope that is no wall is walked on.
    if (!normal || Math.abs(nearest.normal[2]) > 0.8) return left;
    left = addScaled(left, normal, -dot(left, normal));
    if (turns === 1) return [0, 0, 0];
  }
  return left;
}

/**
 * What the wish to walk comes to where floors and walls are: explicit `walk` and `rise` commands, so that a replay needs
 * neither. On the floor the eye keeps its height over whatever it stands on; a step higher or lower than `STEP_UP` is
 * not taken, unless walls are not solid.
 */
export function walkSteps(cast: Caster, scene: Scene, wish: Extract<Command, { kind: 'walk' }>, how: Walking): Command[] {
  const eye = eyeOf(scene.view);
  if (!how.onFloor) {
    const walk: Command = { ...wish, onGround: false };
    const { ahead, right } = headingOf(scene.view);
    if (!how.walls) return [walk];
    const way = addScaled(scale(ahead, wish.forward * wish.dt), right, wish.right * wish.dt);
    const free = clearOfWalls(cast, scene, eye, eye[2] - STEP_UP, way);
    return length(free) < length(way) * 0.5 ? [] : [walk];
  }
  const { ahead, right } = headingOf(scene.view);
  const feet = floorUnder(cast, scene, eye, how.ground);
  const asked = addScaled(scale(ahead, wish.forward * wish.dt), right, wish.right * wish.dt);
  const way = how.walls ? clearOfWalls(cast, scene, eye, feet, asked) : asked;
  if (length(way) < 1e-9) return [];
  const there: Vec3 = [eye[0] + way[0], eye[1] + way[1], Math.max(eye[2], feet + STEP_UP + 0.02)];
  const next = floorUnder(cast, scene, there, how.ground);
  const step = next - feet;
  if (how.walls && Math.abs(step) > STEP_UP) return [];
  const commands: Command[] = [{ kind: 'walk', forward: dot(way, ahead) / wish.dt, right: dot(way, right) / wish.dt, dt: wish.dt, onGround: true }];
  if (Math.abs(step) > 1e-6) commands.push({ kind: 'rise', metres: step });
  return commands;
}

/** A rise that keeps the eye above the floor it stands on and above the ground; null when nothing is left of it. */
export function riseStep(cast: Caster, scene: Scene, metres: number, how: Walking): Command | null {
  const eye = eyeOf(scene.view);
  const lowest = (how.onFloor ? floorUnder(cast, scene, eye, how.ground) : how.ground) + LOWEST;
  const allowed = Math.max(metres, Math.min(0, lowest - eye[2]));
  return Math.abs(allowed) < 1e-9 ? null : { kind: 'rise', metres: allowed };
}

/** Where to stand when this is pointed at: on a floor itself, else on the floor below; null where there is none. `normal`: towards the eye. */
export function standingPlace(cast: Caster, scene: Scene, point: Vec3, normal: Vec3 | undefined, ground: number): Vec3 | null {
  if (normal && normal[2] > 0.7) return point;
  const from = normal ? addScaled(point, flat(normal), 0.4) : point;
  const floor = floorUnder(cast, scene, from, ground);
  return floor <= point[2] + 1e-9 ? [from[0], from[1], floor] : null;
}
