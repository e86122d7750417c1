import { addScaled, angleBetween, cross, dot, exact, length, slerpDirection, unit, type Vec3 } from '../math';

/** Both paths are compared at this many points of equal arc length. */
export const PATH_POINTS = 64;

/** `count` points at equal arc length along a path of unit vectors, both ends kept; a path that stands still repeats. */
export function resamplePath(path: readonly Vec3[], count = PATH_POINTS): Vec3[] {
  const first = path[0];
  if (!first) return [];
  const lengths = [0];
  for (let i = 1; i < path.length; i++) lengths.push((lengths[i - 1] as number) + angleBetween(path[i - 1] as Vec3, path[i] as Vec3));
  const total = lengths.at(-1) as number;
  if (!(total > 0)) return Array.from({ length: count }, () => first);
  const points: Vec3[] = [];
  let segment = 1;
  for (let i = 0; i < count; i++) {
    const wanted = (total * i) / (count - 1);
    while (segment < path.length - 1 && (lengths[segment] as number) < wanted) segment++;
    const from = lengths[segment - 1] as number;
    const span = (lengths[segment] as number) - from;
    const a = path[segment - 1] as Vec3;
    const b = path[segment] as Vec3;
    if (i === count - 1) points.push(path.at(-1) as Vec3);
    else points.push(span > 0 ? slerpDirection(a, b, (wanted - from) / span, span) : a);
  }
  return points;
}

/** Great-circle angles between all pairs of two resampled paths, row by row. */
function costs(a: readonly Vec3[], b: readonly Vec3[]): Float64Array {
  const n = b.length;
  const cost = new Float64Array(a.length * n);
  const flat = new Float64Array(3 * n);
  for (let j = 0; j < n; j++) {
    const p = b[j] as Vec3;
    flat[3 * j] = p[0];
    flat[3 * j + 1] = p[1];
    flat[3 * j + 2] = p[2];
  }
  for (let i = 0; i < a.length; i++) {
    const [ax, ay, az] = a[i] as Vec3;
    for (let j = 0; j < n; j++) {
      const bx = flat[3 * j] as number;
      const by = flat[3 * j + 1] as number;
      const bz = flat[3 * j + 2] as number;
      const x = ay * bz - az * by;
      const y = az * bx - ax * bz;
      const z = ax * by - ay * bx;
      cost[i * n + j] = exact.angleFrom(Math.sqrt(x * x + y * y + z * z), ax * bx + ay * by + az * bz);
    }
  }
  return cost;
}

export interface Alignment {
  /** Mean angle over the pairs of the best alignment, radians. */
  readonly mean: number;
  /** Pairs of point numbers: attempt, reference. */
  readonly pairs: readonly (readonly [number, number])[];
  readonly path: readonly Vec3[];
  readonly reference: readonly Vec3[];
}

/**
 * Dynamic time warping on the sphere (Sakoe & Chiba 1978): steps (1,0), (0,1), (1,1), cost = great-circle angle; of
 * alignments with the least sum the one with the fewest pairs backwards from the end is taken.
 */
export function alignPaths(path: readonly Vec3[], reference: readonly Vec3[]): Alignment {
  const a = resamplePath(path);
  const b = resamplePath(reference);
  const n = b.length;
  const cost = costs(a, b);
  const sum = new Float64Array(a.length * n);
  for (let i = 0; i < a.length; i++) {
    for (let j = 0; j < n; j++) {
      const at = i * n + j;
      let best = i === 0 && j === 0 ? 0 : Number.POSITIVE_INFINITY;
      if (i > 0 && j > 0) best = sum[at - n - 1] as number;
      if (i > 0 && (sum[at - n] as number) < best) best = sum[at - n] as number;
      if (j > 0 && (sum[at - 1] as number) < best) best = sum[at - 1] as number;
      sum[at] = best + (cost[at] as number);
    }
  }
  const pairs: [number, number][] = [];
  let i = a.length - 1;
  let j = n - 1;
  for (;;) {
    pairs.push([i, j]);
    if (i === 0 && j === 0) break;
    const diagonal = i > 0 && j > 0 ? (sum[(i - 1) * n + j - 1] as number) : Number.POSITIVE_INFINITY;
    const left = i > 0 ? (sum[(i - 1) * n + j] as number) : Number.POSITIVE_INFINITY;
    const below = j > 0 ? (sum[i * n + j - 1] as number) : Number.POSITIVE_INFINITY;
    if (diagonal <= left && diagonal <= below) {
      i--;
      j--;
    } else if (left <= below) i--;
    else j--;
  }
  pairs.reverse();
  return { mean: (sum.at(-1) as number) / pairs.length, pairs, path: a, reference: b };
}

/** Mean angle along the best alignment of two view-direction paths, radians. */
export function orbitPath(path: readonly Vec3[], reference: readonly Vec3[]): number {
  return alignPaths(path, reference).mean;
}

/** Largest angle of the best order-keeping alignment: discrete Fréchet distance (Eiter & Mannila 1994), radians. */
export function orbitWorst(path: readonly Vec3[], reference: readonly Vec3[]): number {
  const a = resamplePath(path);
  const b = resamplePath(reference);
  const n = b.length;
  const reach = costs(a, b);
  for (let i = 0; i < a.length; i++) {
    for (let j = 0; j < n; j++) {
      const at = i * n + j;
      if (i === 0 && j === 0) continue;
      let best = Number.POSITIVE_INFINITY;
      if (i > 0) best = Math.min(best, reach[at - n] as number);
      if (j > 0) best = Math.min(best, reach[at - 1] as number);
      if (i > 0 && j > 0) best = Math.min(best, reach[at - n - 1] as number);
      reach[at] = Math.max(best, reach[at] as number);
    }
  }
  return reach.at(-1) as number;
}

/** Total angle swept by a path of unit vectors, samples as given, radians. */
export function sweepOf(path: readonly Vec3[]): number {
  let total = 0;
  for (let i = 1; i < path.length; i++) total += angleBetween(path[i - 1] as Vec3, path[i] as Vec3);
  return total;
}

/** The sum over neighbours of angle times unit axis: how far a path turns, and about what, radians. */
export function turnOf(path: readonly Vec3[]): Vec3 {
  let sum: Vec3 = [0, 0, 0];
  for (let i = 1; i < path.length; i++) {
    const [a, b] = [path[i - 1] as Vec3, path[i] as Vec3];
    const axis = unit(cross(a, b));
    if (axis) sum = addScaled(sum, axis, angleBetween(a, b));
  }
  return sum;
}

/** A line whose turns cancel to less than this share of what it sweeps goes there and back. */
const THERE_AND_BACK = 0.25;

/**
 * Difference in what two paths sweep, radians, signed along the reference: turning against it counts as negative, turning
 * across it not at all. For a reference that goes there and back the summed angles are compared.
 */
export function orbitSweep(path: readonly Vec3[], reference: readonly Vec3[]): number {
  const wanted = turnOf(reference);
  const whole = length(wanted);
  const swept = sweepOf(reference);
  if (!(whole > 0) || whole < THERE_AND_BACK * swept) return Math.abs(sweepOf(path) - swept);
  return Math.abs(dot(turnOf(path), wanted) / whole - whole);
}
