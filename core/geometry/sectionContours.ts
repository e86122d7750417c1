import { dot, type Vec3 } from '../math';
import type { Mesh } from './mesh';
import { type Plane, planeAxes } from './plane';

/** One loop in plane coordinates, metres; the first point is not repeated at the end. */
export interface Polygon {
  points: [number, number][];
  closed: boolean;
}

/** The contours of one part. */
export interface PartContours {
  /** Number of the part in `mesh.parts`. */
  readonly part: number;
  readonly polygons: Polygon[];
}

interface Chains {
  /** Ends of each segment as node numbers. */
  from: number[];
  to: number[];
  nodes: [number, number][];
}

/** Twice the signed area of a loop; positive is anticlockwise. */
export function signedArea2(points: readonly (readonly [number, number])[]): number {
  let sum = 0;
  for (let i = 0; i < points.length; i++) {
    const a = points[i] as [number, number];
    const b = points[(i + 1) % points.length] as [number, number];
    sum += a[0] * b[1] - b[0] * a[1];
  }
  return sum;
}

/** Whether a point lies inside a loop (even-odd). */
export function insideLoop(p: readonly [number, number], loop: readonly (readonly [number, number])[]): boolean {
  let odd = false;
  for (let i = 0, j = loop.length - 1; i < loop.length; j = i++) {
    const a = loop[i] as [number, number];
    const b = loop[j] as [number, number];
    if (a[1] > p[1] !== b[1] > p[1] && p[0] < ((b[0] - a[0]) * (p[1] - a[1])) / (b[1] - a[1]) + a[0]) odd = !odd;
  }
  return odd;
}

/** Joins segments end to end: loops first, what is left are open chains. */
function join(chains: Chains): Polygon[] {
  const at = new Map<number, number[]>();
  const note = (node: number, segment: number): void => {
    const list = at.get(node);
    if (list) list.push(segment);
    else at.set(node, [segment]);
  };
  for (const [s, node] of chains.from.entries()) note(node, s);
  for (const [s, node] of chains.to.entries()) note(node, s);
  const used = new Uint8Array(chains.from.length);
  const walk = (first: number, start: number): { nodes: number[]; closed: boolean } => {
    const nodes = [start];
    let segment = first;
    let node = start;
    for (;;) {
      used[segment] = 1;
      node = chains.from[segment] === node ? (chains.to[segment] as number) : (chains.from[segment] as number);
      if (node === start) return { nodes, closed: true };
      nodes.push(node);
      const here = at.get(node) as number[];
      const onward = here.find((s) => !used[s] && chains.from[s] === node) ?? here.find((s) => !used[s]);
      if (onward === undefined) return { nodes, closed: false };
      segment = onward;
    }
  };
  const found: Polygon[] = [];
  const take = (segment: number, start: number): void => {
    const { nodes, closed } = walk(segment, start);
    const points: [number, number][] = [];
    for (const node of nodes) {
      const p = chains.nodes[node] as [number, number];
      const last = points.at(-1);
      if (!last || last[0] !== p[0] || last[1] !== p[1]) points.push(p);
    }
    const first = points[0];
    const last = points.at(-1);
    if (closed && points.length > 1 && first && last && first[0] === last[0] && first[1] === last[1]) points.pop();
    if (points.length >= (closed ? 3 : 2)) found.push({ points, closed });
  };
  // An end with an odd number of segments starts an open chain.
  for (const [node, segments] of at) {
    if (segments.length % 2 === 0) continue;
    const s = segments.find((segment) => !used[segment]);
    if (s !== undefined) take(s, node);
  }
  chains.from.forEach((node, s) => {
    if (!used[s]) take(s, node);
  });
  return found;
}

/** Outer loops anticlockwise, loops inside an odd number of others clockwise. */
function orient(polygons: Polygon[]): Polygon[] {
  const closed = polygons.filter((p) => p.closed);
  const boxes = closed.map((p) =>
    p.points.reduce((b, [x, y]) => [Math.min(b[0], x), Math.min(b[1], y), Math.max(b[2], x), Math.max(b[3], y)] as const, [
      Infinity,
      Infinity,
      -Infinity,
      -Infinity,
    ] as const),
  );
  closed.forEach((polygon, i) => {
    const a = polygon.points[0] as [number, number];
    const b = polygon.points[1] as [number, number];
    const probe: [number, number] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    let depth = 0;
    closed.forEach((other, j) => {
      const box = boxes[j] as readonly [number, number, number, number];
      if (i === j || probe[0] < box[0] || probe[0] > box[2] || probe[1] < box[1] || probe[1] > box[3]) return;
      if (insideLoop(probe, other.points)) depth++;
    });
    if (signedArea2(polygon.points) > 0 !== (depth % 2 === 0)) polygon.points.reverse();
  });
  return polygons;
}

/** Contours part by part, so that a cap can take its part's colour. See `sectionContours`. */
export function partContours(mesh: Mesh, plane: Plane, candidates?: Uint32Array, only?: ReadonlySet<number>): PartContours[] {
  const { positions, indices } = mesh;
  const [nx, ny, nz] = plane.normal;
  const { offset } = plane;
  const axes = planeAxes(plane);
  const heightAt = (corner: number): number =>
    (positions[corner * 3] as number) * nx + (positions[corner * 3 + 1] as number) * ny + (positions[corner * 3 + 2] as number) * nz - offset;

  const corners = positions.length / 3;
  const heights = candidates ? null : new Float64Array(corners);
  if (heights) for (let i = 0; i < corners; i++) heights[i] = heightAt(i);

  const byPart = candidates ? trianglesByPart(mesh, candidates) : null;
  const found: PartContours[] = [];
  mesh.parts.forEach((part, number) => {
    if (only && !only.has(number)) return;
    const listed = byPart ? byPart.get(number) : null;
    if (byPart && !listed) return;
    const chains: Chains = { from: [], to: [], nodes: [] };
    const nodeOf = new Map<string, number>();
    const placeOf = new Map<number, string>();
    const place = (corner: number): string => {
      let key = placeOf.get(corner);
      if (key === undefined) {
        key = `${(positions[corner * 3] as number) + 0},${(positions[corner * 3 + 1] as number) + 0},${(positions[corner * 3 + 2] as number) + 0}`;
        placeOf.set(corner, key);
      }
      return key;
    };
    /** The node where the edge between two corners meets the plane; the same for both triangles at the edge. */
    const crossing = (a: number, ha: number, b: number, hb: number): number => {
      const ka = place(a);
      const kb = place(b);
      if (ka > kb) return crossing(b, hb, a, ha);
      const key = `${ka}|${kb}`;
      const known = nodeOf.get(key);
      if (known !== undefined) return known;
      const k = ha / (ha - hb);
      const p: Vec3 = [mix(positions, a, b, 0, k), mix(positions, a, b, 1, k), mix(positions, a, b, 2, k)];
      chains.nodes.push([dot(p, axes.x), dot(p, axes.y)]);
      nodeOf.set(key, chains.nodes.length - 1);
      return chains.nodes.length - 1;
    };
    const visit = (i: number): void => {
      const a = indices[i] as number;
      const b = indices[i + 1] as number;
      const c = indices[i + 2] as number;
      const ha = heights ? (heights[a] as number) : heightAt(a);
      const hb = heights ? (heights[b] as number) : heightAt(b);
      const hc = heights ? (heights[c] as number) : heightAt(c);
      const ua = ha > 0;
      const ub = hb > 0;
      const uc = hc > 0;
      if (ua === ub && ub === uc) return;
      // Walked so that the outside of an outward-wound part lies on the right.
      let from: number;
      let to: number;
      if (ua !== ub && ua !== uc) {
        from = crossing(a, ha, b, hb);
        to = crossing(a, ha, c, hc);
        push(from, to, ua);
      } else if (ub !== ua && ub !== uc) {
        from = crossing(b, hb, c, hc);
        to = crossing(b, hb, a, ha);
        push(from, to, ub);
      } else {
        from = crossing(c, hc, a, ha);
        to = crossing(c, hc, b, hb);
        push(from, to, uc);
      }
    };
    const push = (from: number, to: number, above: boolean): void => {
      if (from === to) return;
      chains.from.push(above ? from : to);
      chains.to.push(above ? to : from);
    };
    if (listed) for (const triangle of listed) visit(triangle * 3);
    else for (let i = part.start; i < part.start + part.count; i += 3) visit(i);
    if (chains.from.length > 0) {
      const polygons = orient(join(chains));
      if (polygons.length > 0) found.push({ part: number, polygons });
    }
  });
  return found;
}

const mix = (positions: Float32Array, a: number, b: number, axis: number, k: number): number => {
  const p = positions[a * 3 + axis] as number;
  return p + ((positions[b * 3 + axis] as number) - p) * k;
};

function trianglesByPart(mesh: Mesh, candidates: Uint32Array): Map<number, number[]> {
  const starts = mesh.parts.map((part, number) => ({ number, start: part.start, end: part.start + part.count })).sort((a, b) => a.start - b.start);
  const found = new Map<number, number[]>();
  const seen = new Set<number>();
  for (const triangle of candidates) {
    if (seen.has(triangle)) continue;
    seen.add(triangle);
    const at = triangle * 3;
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((starts[middle] as { start: number }).start <= at) low = middle;
      else high = middle - 1;
    }
    const entry = starts[low];
    if (!entry || at < entry.start || at >= entry.end) continue;
    const list = found.get(entry.number);
    if (list) list.push(triangle);
    else found.set(entry.number, [triangle]);
  }
  return found;
}

/**
 * Where a plane cuts the model: closed loops in plane coordinates (see `planeAxes`), part by part, outer loops
 * anticlockwise and holes clockwise seen from the normal's side; open shells give open chains. `candidates`: triangle
 * numbers from a spatial index; left out, every triangle is visited. Corners are welded by position within a part; a
 * corner in the plane counts as below it.
 */
export function sectionContours(mesh: Mesh, plane: Plane, candidates?: Uint32Array): Polygon[] {
  return partContours(mesh, plane, candidates).flatMap((entry) => entry.polygons);
}
