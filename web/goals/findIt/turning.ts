import type { Placed } from '@core/geometry';
import { aboutX, aboutZ, addScaled, multiply, rotate, type Vec3 } from '@core/math';
import { FRAME_ASPECT, frameHeightAt, project, type View } from '@core/view';

const DEGREE = Math.PI / 180;
/** A ring that is seen flatter than this share of its size is turned by how far one drags, not by where. */
const FLAT = 0.08;
/** Least reach of the outer ring, frame heights. */
const LEAST = 0.1;

/** How far an object is turned about the upright, after it was tipped over, degrees. */
export interface Turned {
  readonly round: number;
  readonly over: number;
}

export type Ring = keyof Turned;

/** A place in the frame, frame heights. */
export interface Spot {
  readonly u: number;
  readonly v: number;
}

export function turnsOf([x, y, z, w]: Placed['turn']): Turned {
  const round = 2 * (Math.hypot(z, w) > 1e-9 ? Math.atan2(z, w) : Math.atan2(y, x));
  const over = 2 * Math.atan2(x * Math.cos(round / 2) + y * Math.sin(round / 2), z * Math.sin(round / 2) + w * Math.cos(round / 2));
  const degrees = (angle: number): number => Number((angle / DEGREE).toFixed(1));
  return { round: degrees(round), over: degrees(over) };
}

export const turnFrom = ({ round, over }: Turned): Placed['turn'] => multiply(aboutZ(round * DEGREE), aboutX(over * DEGREE));

/** The two directions that span a ring: one turns from the first towards the second. */
function spanOf(ring: Ring, { round }: Turned): readonly [Vec3, Vec3] {
  if (ring === 'round')
    return [
      [1, 0, 0],
      [0, 1, 0],
    ];
  return [rotate(aboutZ(round * DEGREE), [0, 1, 0]), [0, 0, 1]];
}

/** How far the rings stand from an object's middle, metres: round it, and never so near that the hand could not tell one from the other. */
function reachOf(ring: Ring, object: Placed, view: View): number {
  const { depth } = project(view, object.point, FRAME_ASPECT);
  const outer = Math.max(object.size, LEAST * frameHeightAt(view, Math.max(depth, 1e-6)));
  return ring === 'round' ? outer : 0.72 * outer;
}

/** Places of a ring round an object by their angles on it, world metres; a knob at 0 where nothing is turned. */
function placeOnRing(ring: Ring, object: Placed, turned: Turned, view: View): (angle: number) => Vec3 {
  const [a, b] = spanOf(ring, turned);
  const reach = reachOf(ring, object, view);
  return (angle) => addScaled(addScaled(object.point, a, reach * Math.cos(angle)), b, reach * Math.sin(angle));
}

const AROUND = 48;

/** A ring as a line of places, closed. */
export function ringOf(ring: Ring, object: Placed, turned: Turned, view: View): Vec3[] {
  const place = placeOnRing(ring, object, turned, view);
  return Array.from({ length: AROUND }, (_, i) => place((2 * Math.PI * i) / AROUND));
}

/** Where the knob of a ring stands, world metres. */
export const knobOf = (ring: Ring, object: Placed, turned: Turned, view: View): Vec3 => placeOnRing(ring, object, turned, view)(turned[ring] * DEGREE);

/** By how much a ring is turned when one drags from one spot of the frame to another, degrees; seen from beneath it runs the other way by itself. */
export function draggedTurn(ring: Ring, object: Placed, turned: Turned, view: View, from: Spot, to: Spot): number {
  const [a, b] = spanOf(ring, turned);
  const reach = reachOf(ring, object, view);
  const seen = (way: Vec3): Spot => {
    const tip = project(view, addScaled(object.point, way, reach), FRAME_ASPECT);
    return { u: tip.u - middle.u, v: tip.v - middle.v };
  };
  const middle = project(view, object.point, FRAME_ASPECT);
  const [sa, sb] = [seen(a), seen(b)];
  const area = sa.u * sb.v - sa.v * sb.u;
  const across = Math.max(Math.hypot(sa.u, sa.v), Math.hypot(sb.u, sb.v));
  if (Math.abs(area) < FLAT * across * across) {
    // From its edge: along the longer of the two, the near side of the ring goes with the hand.
    const wide = Math.hypot(sa.u, sa.v) > Math.hypot(sb.u, sb.v);
    const way = wide ? sa : sb;
    const along = ((to.u - from.u) * way.u + (to.v - from.v) * way.v) / (across * across);
    const other = project(view, addScaled(object.point, wide ? b : a, reach), FRAME_ASPECT);
    const near = other.depth < middle.depth ? 1 : -1;
    return ((wide ? -near : near) * along) / DEGREE;
  }
  const angle = ({ u, v }: Spot): number => {
    const [x, y] = [u - middle.u, v - middle.v];
    return Math.atan2((sa.u * y - sa.v * x) / area, (x * sb.v - y * sb.u) / area);
  };
  const by = angle(to) - angle(from);
  return (by - 2 * Math.PI * Math.round(by / (2 * Math.PI))) / DEGREE;
}

/** The size that dragging from one spot to another gives an object: as much larger as the hand is farther from its middle. */
export function draggedSize(object: Placed, view: View, from: Spot, to: Spot): number {
  const middle = project(view, object.point, FRAME_ASPECT);
  const reach = ({ u, v }: Spot): number => Math.hypot(u - middle.u, v - middle.v);
  const size = object.size * (reach(to) / Math.max(reach(from), 1e-6));
  return Number(Math.min(1e3, Math.max(1e-5, size)).toPrecision(3));
}
