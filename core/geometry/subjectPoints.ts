// The bundled file: the package's own entry leaves extensions off, which Node does not resolve.
import quickhull from 'quickhull3d/dist/quickhull3d.js';
import { cross, dot, length, sub, unit, type Vec3 } from '../math';
import { type Mesh, partsUnder } from './mesh';

/** Points closer together than this share of the extent are one line or one plane to the hull. */
const FLAT = 1e-9;
/** Up to this many points, whatever the hull package left outside is added back. */
const CHECKED = 60_000;

/** Distinct corner positions of the parts and of what is under them, in order of first use. */
export function cornersOf(mesh: Mesh, parts: readonly string[]): Vec3[] {
  const numbers = partsUnder(mesh, parts);
  const seenCorner = new Uint8Array(mesh.positions.length / 3);
  const seenPlace = new Set<string>();
  const found: { corner: number; point: Vec3 }[] = [];
  for (const number of numbers) {
    const part = mesh.parts[number];
    if (!part) continue;
    for (let i = part.start; i < part.start + part.count; i++) {
      const corner = mesh.indices[i] as number;
      if (seenCorner[corner]) continue;
      seenCorner[corner] = 1;
      const point: Vec3 = [mesh.positions[corner * 3] as number, mesh.positions[corner * 3 + 1] as number, mesh.positions[corner * 3 + 2] as number];
      const key = `${point[0] + 0},${point[1] + 0},${point[2] + 0}`;
      if (seenPlace.has(key)) continue;
      seenPlace.add(key);
      found.push({ corner, point });
    }
  }
  return found.sort((a, b) => a.corner - b.corner).map((entry) => entry.point);
}

/** Numbers of the points on the convex hull of points in a plane, anticlockwise (monotone chain, Andrew 1979). */
export function flatHull(points: readonly { readonly u: number; readonly v: number }[]): number[] {
  const flat = points.map(({ u, v }, i) => ({ i, u, v })).sort((a, b) => a.u - b.u || a.v - b.v);
  const half = (order: typeof flat): typeof flat => {
    const chain: typeof flat = [];
    for (const p of order) {
      for (;;) {
        const b = chain.at(-1);
        const a = chain.at(-2);
        if (!a || !b || (b.u - a.u) * (p.v - a.v) - (b.v - a.v) * (p.u - a.u) > 0) break;
        chain.pop();
      }
      chain.push(p);
    }
    return chain;
  };
  return [...half(flat), ...half([...flat].reverse())].map((p) => p.i);
}

/** The two farthest-apart directions of a point set: its longest line and the widest offset from it, or null. */
function spread(points: readonly Vec3[]): { line: Vec3 | null; across: Vec3 | null; normal: Vec3 | null; thickness: number; extent: number } {
  const o = points[0] as Vec3;
  const farFrom = (p: Vec3): Vec3 => points.reduce((best, q) => (length(sub(q, p)) > length(sub(best, p)) ? q : best), o);
  const a = farFrom(o);
  const b = farFrom(a);
  const extent = length(sub(a, b));
  const line = unit(sub(b, a));
  if (!line) return { line: null, across: null, normal: null, thickness: 0, extent };
  let across: Vec3 | null = null;
  let widest = 0;
  for (const p of points) {
    const c = cross(line, sub(p, a));
    const w = length(c);
    if (w > widest) {
      widest = w;
      across = c;
    }
  }
  if (!across || widest <= extent * FLAT) return { line, across: null, normal: null, thickness: 0, extent };
  const normal = unit(across) as Vec3;
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const p of points) {
    const h = dot(normal, sub(p, a));
    low = Math.min(low, h);
    high = Math.max(high, h);
  }
  return { line, across: cross(normal, line), normal, thickness: high - low, extent };
}

function solidHull(points: readonly Vec3[], extent: number): number[] {
  const o = points[0] as Vec3;
  const local = points.map((p) => [(p[0] - o[0]) / extent, (p[1] - o[1]) / extent, (p[2] - o[2]) / extent] as [number, number, number]);
  const faces = quickhull(local) as number[][];
  const found = new Set(faces.flat());
  if (points.length > CHECKED) return [...found];
  // The package merges corners that are nearly on a face; what lies outside a face after all is put back.
  const planes = faces.map((face) => {
    const [a, b, c] = [local[face[0] as number], local[face[1] as number], local[face[2] as number]] as [Vec3, Vec3, Vec3];
    const normal = unit(cross(sub(b, a), sub(c, a)));
    return normal ? { normal, offset: dot(normal, a) } : null;
  });
  local.forEach((p, i) => {
    if (!found.has(i) && planes.some((plane) => plane && dot(plane.normal, p) - plane.offset > 1e-12)) found.add(i);
  });
  return [...found];
}

/**
 * Extreme points of the convex hull of the parts (and what is under them; none listed: all), metres, distinct, in
 * index order. What fit, size, placement and margins are computed from. Lines give their ends, flat sets their outline.
 */
export function subjectPoints(mesh: Mesh, parts: readonly string[]): Vec3[] {
  return hullPoints(cornersOf(mesh, parts));
}

export function hullPoints(points: readonly Vec3[]): Vec3[] {
  if (points.length <= 3) return [...points];
  const { line, across, normal, thickness, extent } = spread(points);
  if (!line) return [points[0] as Vec3];
  let numbers: number[];
  if (!across || !normal) {
    const along = points.map((p) => dot(p, line));
    const ends = along.reduce((e, a, i) => [a < (along[e[0]] as number) ? i : e[0], a > (along[e[1]] as number) ? i : e[1]] as [number, number], [0, 0] as [
      number,
      number,
    ]);
    numbers = [...ends];
  } else if (thickness <= extent * FLAT) {
    numbers = flatHull(points.map((p) => ({ u: dot(p, line), v: dot(p, across) })));
  } else {
    try {
      numbers = solidHull(points, extent);
    } catch {
      // A set the package cannot handle keeps all its points: slower to frame, never wrong.
      numbers = points.map((_, i) => i);
    }
  }
  return [...new Set(numbers)].sort((a, b) => a - b).map((i) => points[i] as Vec3);
}
