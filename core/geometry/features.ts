import {
  add,
  addScaled,
  angleBetween,
  cross,
  distanceBetween,
  dot,
  eigen,
  exact,
  length,
  perpendicular,
  type Symmetric,
  scale,
  sub,
  unit,
  type Vec3,
} from '../math';
import { diagonalOf } from './diagonal';
import { cornersAt, type Mesh } from './mesh';
import type { FeaturePick } from './pickSchema';
import { connected, normalAt, type Topology, topologyOf } from './topology';

export { type FeaturePick, PICKED_AS } from './pickSchema';

/** What measurements are made between, world metres. `triangles`: those of the mesh that it is made of. */
export type Feature =
  | { readonly kind: 'point'; readonly point: Vec3 }
  | { readonly kind: 'edge'; readonly point: Vec3; readonly direction: Vec3; readonly ends: readonly [Vec3, Vec3] }
  | { readonly kind: 'plane'; readonly point: Vec3; readonly normal: Vec3; readonly triangles: readonly number[] }
  | {
      readonly kind: 'round';
      /** On the axis, in the middle of what there is of it. */
      readonly point: Vec3;
      readonly direction: Vec3;
      readonly radius: number;
      /** Whether the surface looks to its axis. */
      readonly hole: boolean;
      readonly triangles: readonly number[];
    };

const DEGREE = Math.PI / 180;
/** Triangles of one plane look the same way to this, radians, and lie in it to this share of the model's diagonal. */
const FLAT = exact.cos(0.5 * DEGREE);
const IN_PLANE = 1e-4;
/** Neighbours on a round face turn by less. */
const SMOOTH = exact.cos(30 * DEGREE);
/** A cylinder is refused when a normal strays from its round by more, or a corner from its radius. */
const STRAY = exact.sin(3 * DEGREE);
const RADIUS = 0.02;
/** A surface that turns by less in all is flat: the share of the second eigenvalue of its normals. */
const TURNS = 1e-4;
/** An edge goes on while it is straight to this. */
const STRAIGHT = exact.cos(0.5 * DEGREE);
/** Directions this near are parallel, radians. */
const PARALLEL = 0.5 * DEGREE;

/** Squared distance of a point from a triangle (Ericson 2005, 5.1.5). */
function squaredDistance(p: Vec3, a: Vec3, b: Vec3, c: Vec3): number {
  const [ab, ac, ap] = [sub(b, a), sub(c, a), sub(p, a)];
  const from = (q: Vec3): number => {
    const d = sub(p, q);
    return dot(d, d);
  };
  const [d1, d2] = [dot(ab, ap), dot(ac, ap)];
  if (d1 <= 0 && d2 <= 0) return from(a);
  const bp = sub(p, b);
  const [d3, d4] = [dot(ab, bp), dot(ac, bp)];
  if (d3 >= 0 && d4 <= d3) return from(b);
  const vc = d1 * d4 - d3 * d2;
  if (vc <= 0 && d1 >= 0 && d3 <= 0) return from(addScaled(a, ab, d1 / (d1 - d3)));
  const cp = sub(p, c);
  const [d5, d6] = [dot(ab, cp), dot(ac, cp)];
  if (d6 >= 0 && d5 <= d6) return from(c);
  const vb = d5 * d2 - d1 * d6;
  if (vb <= 0 && d2 >= 0 && d6 <= 0) return from(addScaled(a, ac, d2 / (d2 - d6)));
  const va = d3 * d6 - d5 * d4;
  if (va <= 0 && d4 - d3 >= 0 && d5 - d6 >= 0) return from(addScaled(b, sub(c, b), (d4 - d3) / (d4 - d3 + (d5 - d6))));
  const whole = va + vb + vc;
  return whole === 0 ? from(a) : from(addScaled(addScaled(a, ab, vb / whole), ac, vc / whole));
}

/** Finds the triangle of a part that is nearest to a point and looks its way, counted in the mesh. A search tree does it sooner. */
export type NearestTriangle = (part: number, point: Vec3, normal: Vec3) => number | null;

/** Looks at every triangle of the part. */
const nearestIn =
  (mesh: Mesh): NearestTriangle =>
  (number, point, normal) => {
    const { first, count, normals } = topologyOf(mesh, number);
    let best: number | null = null;
    let least = Number.POSITIVE_INFINITY;
    let facing = -2;
    const hair = diagonalOf(mesh) * 1e-9;
    for (let triangle = 0; triangle < count; triangle++) {
      const d = squaredDistance(point, ...cornersAt(mesh, first + triangle));
      const looks = Math.abs(dot(normalAt(normals, triangle), normal));
      // On an edge both are as near: the one that looks as was picked.
      if (d < least - hair * hair || (d <= least + hair * hair && looks > facing)) {
        best = first + triangle;
        least = Math.min(d, least);
        facing = looks;
      }
    }
    return best;
  };

function planeAt(mesh: Mesh, topology: Topology, seed: number): Feature | null {
  const { first, normals } = topology;
  const normal = normalAt(normals, seed);
  if (dot(normal, normal) === 0) return null;
  const [origin] = cornersAt(mesh, first + seed);
  const reach = IN_PLANE * diagonalOf(mesh);
  const inPlane = (triangle: number): boolean => cornersAt(mesh, first + triangle).every((corner) => Math.abs(dot(sub(corner, origin), normal)) <= reach);
  const found = connected(topology, seed, (to) => {
    const other = normalAt(normals, to);
    return (dot(other, normal) >= FLAT || dot(other, other) === 0) && inPlane(to);
  });
  let sum: Vec3 = [0, 0, 0];
  let middle: Vec3 = [0, 0, 0];
  let area = 0;
  for (const triangle of found) {
    const [a, b, c] = cornersAt(mesh, first + triangle);
    const across = cross(sub(b, a), sub(c, a));
    const size = length(across);
    sum = add(sum, across);
    middle = addScaled(middle, add(add(sub(a, origin), sub(b, origin)), sub(c, origin)), size / 3);
    area += size;
  }
  return { kind: 'plane', point: addScaled(origin, middle, 1 / area), normal: unit(sum) ?? normal, triangles: found.map((triangle) => first + triangle) };
}

interface Cylinder {
  readonly axis: Vec3;
  readonly centre: Vec3;
  readonly radius: number;
}

/** The cylinder through triangles: its axis from their normals, its circle by least squares through their corners (Kåsa 1976); null: they are flat. */
function cylinderThrough(mesh: Mesh, { first, normals }: Topology, triangles: readonly number[]): Cylinder | null {
  const m = [0, 0, 0, 0, 0, 0] as [number, number, number, number, number, number];
  const corners: Vec3[] = [];
  for (const triangle of triangles) {
    const [a, b, c] = cornersAt(mesh, first + triangle);
    const area = length(cross(sub(b, a), sub(c, a)));
    const n = normalAt(normals, triangle);
    corners.push(a, b, c);
    m[0] += area * n[0] * n[0];
    m[1] += area * n[0] * n[1];
    m[2] += area * n[0] * n[2];
    m[3] += area * n[1] * n[1];
    m[4] += area * n[1] * n[2];
    m[5] += area * n[2] * n[2];
  }
  const { values, vectors } = eigen(m as Symmetric);
  if (!(values[1] > TURNS * values[2])) return null;
  const axis = vectors[0];
  const x = perpendicular(axis);
  const y = cross(axis, x);
  const origin = corners[0] as Vec3;
  // x² + y² = 2 a x + 2 b y + c, over all corners.
  let [sx, sy, sxx, sxy, syy, sz, sxz, syz] = [0, 0, 0, 0, 0, 0, 0, 0];
  for (const corner of corners) {
    const from = sub(corner, origin);
    const [p, q] = [dot(from, x), dot(from, y)];
    const z = p * p + q * q;
    sx += p;
    sy += q;
    sxx += p * p;
    sxy += p * q;
    syy += q * q;
    sz += z;
    sxz += p * z;
    syz += q * z;
  }
  const n = corners.length;
  const [a11, a12, a22] = [sxx - (sx * sx) / n, sxy - (sx * sy) / n, syy - (sy * sy) / n];
  const [b1, b2] = [(sxz - (sx * sz) / n) / 2, (syz - (sy * sz) / n) / 2];
  const det = a11 * a22 - a12 * a12;
  if (!(Math.abs(det) > 0)) return null;
  const [a, b] = [(b1 * a22 - b2 * a12) / det, (a11 * b2 - a12 * b1) / det];
  const square = (sz - 2 * a * sx - 2 * b * sy) / n + a * a + b * b;
  return square > 0 ? { axis, centre: addScaled(addScaled(origin, x, a), y, b), radius: Math.sqrt(square) } : null;
}

const fromAxis = ({ axis, centre }: Cylinder, point: Vec3): number => length(cross(sub(point, centre), axis));

/** Whether a triangle lies on a cylinder: its normal at right angles to the axis, its corners on the radius. */
function lies(mesh: Mesh, { first, normals }: Topology, triangle: number, cylinder: Cylinder): boolean {
  const n = normalAt(normals, triangle);
  return (
    Math.abs(dot(n, cylinder.axis)) <= STRAY &&
    cornersAt(mesh, first + triangle).every((corner) => Math.abs(fromAxis(cylinder, corner) - cylinder.radius) <= RADIUS * cylinder.radius)
  );
}

/** A round that runs out into something else is one when it turns by this much in all, radians: a patch of a cone or a ball does not. */
const TURN = 75 * DEGREE;

/** How far triangles turn about an axis in all, radians. */
function turnOf({ normals }: Topology, seed: number, triangles: readonly number[], axis: Vec3): number {
  const x = normalAt(normals, seed);
  const y = cross(axis, x);
  const angles = triangles.map((triangle) => exact.atan2(dot(normalAt(normals, triangle), y), dot(normalAt(normals, triangle), x)));
  return angles.reduce((a, b) => Math.max(a, b), 0) - angles.reduce((a, b) => Math.min(a, b), 0);
}

/** Rings of neighbours that a cylinder is guessed from: the fewest that turn enough do. */
const RINGS = [2, 4, 8, 16, 32, 64] as const;

/** The smooth triangles about one, so many sides away. */
function about(topology: Topology, seed: number, rings: number): number[] {
  const { normals } = topology;
  const away = new Map([[seed, 0]]);
  return connected(topology, seed, (to, over) => {
    const steps = (away.get(over) ?? 0) + 1;
    if (steps > rings || dot(normalAt(normals, to), normalAt(normals, over)) <= SMOOTH) return false;
    away.set(to, steps);
    return true;
  });
}

/** The triangles of a round face about one, and its cylinder: guessed from near by, then grown over what lies on it; null: there is none. */
function grownRound(mesh: Mesh, topology: Topology, seed: number): { readonly found: Cylinder; readonly triangles: readonly number[] } | null {
  const { normals, beyond } = topology;
  const smooth = (to: number, over: number): boolean => dot(normalAt(normals, to), normalAt(normals, over)) > SMOOTH;
  for (const rings of RINGS) {
    let found = cylinderThrough(mesh, topology, about(topology, seed, rings));
    let triangles: readonly number[] = [];
    for (let pass = 0; pass < 3 && found && lies(mesh, topology, seed, found); pass++) {
      const on: Cylinder = found;
      triangles = connected(topology, seed, (to, over) => smooth(to, over) && lies(mesh, topology, to, on));
      found = cylinderThrough(mesh, topology, triangles);
    }
    if (!found || triangles.length === 0) continue;
    const cylinder: Cylinder = found;
    if (!triangles.every((triangle) => lies(mesh, topology, triangle, cylinder))) continue;
    // All of a smooth face, or as much of one that runs out into something else as tells a round from a patch of a cone.
    const own = new Set(triangles);
    const whole = triangles.every((triangle) =>
      [0, 1, 2].every((k) => {
        const next = beyond[triangle * 3 + k] as number;
        return next < 0 || own.has(next) || !smooth(next, triangle);
      }),
    );
    if (whole || turnOf(topology, seed, triangles, cylinder.axis) >= TURN) return { found: cylinder, triangles };
  }
  return null;
}

function roundAt(mesh: Mesh, topology: Topology, seed: number): Feature | null {
  const { first, normals } = topology;
  const grown = grownRound(mesh, topology, seed);
  if (!grown) return null;
  const { found, triangles } = grown;
  let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const triangle of triangles)
    for (const corner of cornersAt(mesh, first + triangle)) {
      const along = dot(sub(corner, found.centre), found.axis);
      low = Math.min(low, along);
      high = Math.max(high, along);
    }
  const [a, b, c] = cornersAt(mesh, first + seed);
  const middle = scale(add(add(a, b), c), 1 / 3);
  return {
    kind: 'round',
    point: addScaled(found.centre, found.axis, (low + high) / 2),
    direction: found.axis,
    radius: found.radius,
    hole: dot(sub(middle, found.centre), normalAt(normals, seed)) < 0,
    triangles: triangles.map((triangle) => first + triangle),
  };
}

/** Ends of a side. */
function endsOf(mesh: Mesh, { first }: Topology, side: number): readonly [Vec3, Vec3] {
  const corners = cornersAt(mesh, first + Math.floor(side / 3));
  return [corners[side % 3] as Vec3, corners[(side + 1) % 3] as Vec3];
}

const toSegment = (p: Vec3, a: Vec3, b: Vec3): number => {
  const along = sub(b, a);
  const square = dot(along, along);
  const k = square > 0 ? Math.min(1, Math.max(0, dot(sub(p, a), along) / square)) : 0;
  return distanceBetween(p, addScaled(a, along, k));
};

function edgeAt(mesh: Mesh, topology: Topology, point: Vec3): Feature | null {
  const { creases, places } = topology;
  let nearest: number | null = null;
  let least = Number.POSITIVE_INFINITY;
  for (const side of creases) {
    const d = toSegment(point, ...endsOf(mesh, topology, side));
    if (d < least) {
      least = d;
      nearest = side;
    }
  }
  if (nearest === null) return null;
  const [from, to] = endsOf(mesh, topology, nearest);
  const direction = unit(sub(to, from));
  if (!direction) return null;
  const at = (side: number): readonly [number, number] => [places[side] as number, places[side % 3 === 2 ? side - 2 : side + 1] as number];
  const meeting = new Map<number, number[]>();
  for (const side of creases) for (const place of at(side)) meeting.set(place, [...(meeting.get(place) ?? []), side]);
  /** The farthest end of the straight way on from a place. */
  const follow = (place: number, end: Vec3, way: Vec3): Vec3 => {
    const seen = new Set([nearest as number]);
    let here = place;
    let far = end;
    for (;;) {
      const next = (meeting.get(here) ?? []).find((side) => {
        if (seen.has(side)) return false;
        const [a, b] = endsOf(mesh, topology, side);
        const on = unit(at(side)[0] === here ? sub(b, a) : sub(a, b));
        return on !== null && dot(on, way) >= STRAIGHT;
      });
      if (next === undefined) return far;
      seen.add(next);
      const [a, b] = endsOf(mesh, topology, next);
      const starts = at(next)[0] === here;
      far = starts ? b : a;
      here = at(next)[starts ? 1 : 0];
    }
  };
  const [p, q] = at(nearest);
  const ends = [follow(p, from, scale(direction, -1)), follow(q, to, direction)] as const;
  return { kind: 'edge', point: scale(add(ends[0], ends[1]), 0.5), direction: unit(sub(ends[1], ends[0])) ?? direction, ends };
}

/** What a pick points at; null: nothing such is there. `nearest`: finds its triangle; left out, by looking at all. */
export function featureAt(mesh: Mesh, pick: FeaturePick, nearest: NearestTriangle = nearestIn(mesh)): Feature | null {
  const part = mesh.parts.findIndex(({ id, count }) => id === pick.part && count > 0);
  if (part < 0) return null;
  if (pick.as === 'point') return { kind: 'point', point: pick.point };
  const topology = topologyOf(mesh, part);
  if (pick.as === 'edge') return edgeAt(mesh, topology, pick.point);
  const triangle = nearest(part, pick.point, pick.normal);
  if (triangle === null) return null;
  const seed = triangle - topology.first;
  return pick.as === 'face' ? planeAt(mesh, topology, seed) : roundAt(mesh, topology, seed);
}

/** What lies between two features: metres and radians; null where there is no such thing. */
export interface Between {
  readonly distance: number | null;
  readonly angle: number | null;
}

type Line = { readonly point: Vec3; readonly direction: Vec3 };

/** The smaller of the two angles between lines. */
const lineAngle = (a: Vec3, b: Vec3): number => {
  const angle = angleBetween(a, b);
  return Math.min(angle, Math.PI - angle);
};

const pointToLine = (p: Vec3, { point, direction }: Line): number => length(cross(sub(p, point), direction));

function lines(a: Line, b: Line): Between {
  const angle = lineAngle(a.direction, b.direction);
  if (angle <= PARALLEL) return { distance: (pointToLine(a.point, b) + pointToLine(b.point, a)) / 2, angle };
  const across = unit(cross(a.direction, b.direction));
  return { distance: across && Math.abs(dot(sub(b.point, a.point), across)), angle };
}

function lineAndPlane(line: Line, { point, normal }: Extract<Feature, { kind: 'plane' }>): Between {
  const angle = Math.PI / 2 - lineAngle(line.direction, normal);
  return { distance: angle <= PARALLEL ? Math.abs(dot(sub(line.point, point), normal)) : null, angle };
}

/**
 * What lies between two features. Edges and axes are taken as whole lines. Planes have a distance where they are parallel
 * (to 0.5 degrees), else an angle; lines their shortest distance and their angle; a line and a plane a distance where they are parallel.
 */
export function betweenFeatures(a: Feature, b: Feature): Between {
  if (a.kind === 'point' && b.kind === 'point') return { distance: distanceBetween(a.point, b.point), angle: null };
  if (a.kind === 'point') {
    if (b.kind === 'plane') return { distance: Math.abs(dot(sub(a.point, b.point), b.normal)), angle: null };
    return { distance: pointToLine(a.point, b as Line), angle: null };
  }
  if (b.kind === 'point') return betweenFeatures(b, a);
  if (a.kind === 'plane' && b.kind === 'plane') {
    const angle = lineAngle(a.normal, b.normal);
    if (angle > PARALLEL) return { distance: null, angle };
    const way = sub(b.point, a.point);
    return { distance: (Math.abs(dot(way, a.normal)) + Math.abs(dot(way, b.normal))) / 2, angle };
  }
  if (a.kind === 'plane') return lineAndPlane(b as Line, a);
  if (b.kind === 'plane') return lineAndPlane(a, b);
  return lines(a, b);
}

/** What can be measured, and what has to be picked for it. */
export const MEASURES = ['distance', 'diameter', 'spacing', 'angle'] as const;
export type MeasureKind = (typeof MEASURES)[number];

/** A measured value, metres or radians; null: these features have none such. */
export function valueBetween(what: MeasureKind, a: Feature | null, b: Feature | null): number | null {
  if (!a) return null;
  if (what === 'diameter') return a.kind === 'round' ? 2 * a.radius : null;
  if (!b) return null;
  if (what === 'spacing') return a.kind === 'round' && b.kind === 'round' ? betweenFeatures(a, b).distance : null;
  return betweenFeatures(a, b)[what];
}
