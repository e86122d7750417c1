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

/** Segments at each node, one after the other: those of `node` are `list[at[node]]` … `list[at[node + 1] - 1]`. */
function segmentsAt({ from, to, nodes }: Chains): { readonly at: Int32Array; readonly list: Int32Array } {
  const at = new Int32Array(nodes.length + 1);
  for (const node of from) at[node + 1] = (at[node + 1] as number) + 1;
  for (const node of to) at[node + 1] = (at[node + 1] as number) + 1;
  for (let i = 0; i < nodes.length; i++) at[i + 1] = (at[i + 1] as number) + (at[i] as number);
  const next = at.slice();
  const list = new Int32Array(from.length * 2);
  for (const ends of [from, to]) {
    ends.forEach((node, segment) => {
      list[next[node] as number] = segment;
      next[node] = (next[node] as number) + 1;
    });
  }
  return { at, list };
}

/** Joins segments end to end: loops first, what is left are open chains. */
function join(chains: Chains): Polygon[] {
  const { from, to, nodes } = chains;
  const { at, list } = segmentsAt(chains);
  const used = new Uint8Array(from.length);
  /** A segment that goes on from a node, one that begins there before one that ends there; -1: none. */
  const onwardFrom = (node: number): number => {
    let any = -1;
    for (let i = at[node] as number; i < (at[node + 1] as number); i++) {
      const segment = list[i] as number;
      if (used[segment]) continue;
      if (from[segment] === node) return segment;
      if (any < 0) any = segment;
    }
    return any;
  };
  const found: Polygon[] = [];
  const take = (first: number, start: number): void => {
    const points: [number, number][] = [];
    const add = (node: number): void => {
      const p = nodes[node] as [number, number];
      const last = points.at(-1);
      if (!last || last[0] !== p[0] || last[1] !== p[1]) points.push(p);
    };
    add(start);
    let segment = first;
    let node = start;
    let closed = false;
    while (segment >= 0) {
      used[segment] = 1;
      node = from[segment] === node ? (to[segment] as number) : (from[segment] as number);
      if (node === start) {
        closed = true;
        break;
      }
      add(node);
      segment = onwardFrom(node);
    }
    const head = points[0];
    const last = points.at(-1);
    if (closed && points.length > 1 && head && last && head[0] === last[0] && head[1] === last[1]) points.pop();
    if (points.length >= (closed ? 3 : 2)) found.push({ points, closed });
  };
  // An end with an odd number of segments starts an open chain.
  for (let node = 0; node < nodes.length; node++) {
    if (((at[node + 1] as number) - (at[node] as number)) % 2 === 0) continue;
    for (let i = at[node] as number; i < (at[node + 1] as number); i++) {
      const segment = list[i] as number;
      if (used[segment]) continue;
      take(segment, node);
      break;
    }
  }
  from.forEach((node, segment) => {
    if (!used[segment]) take(segment, node);
  });
  return found;
}

/** The bits of -0. */
const MINUS_ZERO = -0x80000000;

/** Places of a hash table for about so many entries: a power of two that leaves half of them free. */
function tableFor(expected: number): number {
  let places = 64;
  while (places < 2 * expected) places *= 2;
  return places;
}

/** Tells corners at the same place as one: a hash over the bits of their coordinates, 0 and -0 alike. */
function createWeld(positions: Float32Array, expected: number): (corner: number) => number {
  const bits = new Int32Array(positions.buffer, positions.byteOffset, positions.length);
  let slots = new Int32Array(tableFor(expected)).fill(-1);
  let count = 0;
  const bitsAt = (i: number): number => ((bits[i] as number) === MINUS_ZERO ? 0 : (bits[i] as number));
  const slotFor = (table: Int32Array, corner: number): number => {
    const x = bitsAt(corner * 3);
    const y = bitsAt(corner * 3 + 1);
    const z = bitsAt(corner * 3 + 2);
    let h = Math.imul(x, 0x9e3779b1) ^ Math.imul(y, 0x85ebca6b) ^ Math.imul(z, 0xc2b2ae35);
    h ^= h >>> 15;
    const mask = table.length - 1;
    for (let slot = h & mask; ; slot = (slot + 1) & mask) {
      const other = table[slot] as number;
      if (other < 0 || (bitsAt(other * 3) === x && bitsAt(other * 3 + 1) === y && bitsAt(other * 3 + 2) === z)) return slot;
    }
  };
  return (corner) => {
    if (count * 2 > slots.length) {
      const larger = new Int32Array(slots.length * 4).fill(-1);
      for (const held of slots) if (held >= 0) larger[slotFor(larger, held)] = held;
      slots = larger;
    }
    const slot = slotFor(slots, corner);
    if ((slots[slot] as number) < 0) {
      slots[slot] = corner;
      count++;
    }
    return slots[slot] as number;
  };
}

/** Remembers a number for each pair of corners, made when it is first asked for. */
function createPairs(expected: number): (a: number, b: number, make: () => number) => number {
  let table = new Int32Array(3 * tableFor(expected)).fill(-1);
  let count = 0;
  const slotFor = (held: Int32Array, a: number, b: number): number => {
    let h = Math.imul(a, 0x9e3779b1) ^ Math.imul(b, 0x85ebca6b);
    h ^= h >>> 15;
    const mask = held.length / 3 - 1;
    for (let slot = h & mask; ; slot = (slot + 1) & mask) {
      const at = slot * 3;
      if ((held[at] as number) < 0 || (held[at] === a && held[at + 1] === b)) return at;
    }
  };
  return (a, b, make) => {
    let at = slotFor(table, a, b);
    if ((table[at] as number) >= 0) return table[at + 2] as number;
    if (count * 6 > table.length) {
      const larger = new Int32Array(table.length * 4).fill(-1);
      for (let i = 0; i < table.length; i += 3)
        if ((table[i] as number) >= 0) larger.set(table.subarray(i, i + 3), slotFor(larger, table[i] as number, table[i + 1] as number));
      table = larger;
      at = slotFor(table, a, b);
    }
    const made = make();
    table[at] = a;
    table[at + 1] = b;
    table[at + 2] = made;
    count++;
    return made;
  };
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
    const expected = listed ? listed.length : 256;
    const nodeOf = createPairs(expected);
    const nodeOfEdge = createPairs(expected);
    const weld = createWeld(positions, 2 * expected);
    /** The node where the edge between two corners meets the plane; the same for both triangles at the edge. */
    const crossing = (a: number, ha: number, b: number, hb: number): number => {
      if (a > b) return crossing(b, hb, a, ha);
      // Most edges come twice with the same corners: only the first time their places are looked up.
      return nodeOfEdge(a, b, () => {
        const [ka, kb] = [weld(a), weld(b)];
        return ka <= kb ? nodeAt(ka, kb, a, ha, b, hb) : nodeAt(kb, ka, b, hb, a, ha);
      });
    };
    const nodeAt = (ka: number, kb: number, a: number, ha: number, b: number, hb: number): number =>
      nodeOf(ka, kb, () => {
        const k = ha / (ha - hb);
        const p: Vec3 = [mix(positions, a, b, 0, k), mix(positions, a, b, 1, k), mix(positions, a, b, 2, k)];
        return chains.nodes.push([dot(p, axes.x), dot(p, axes.y)]) - 1;
      });
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

/** The candidates of each part, each once: sorted, they run through the parts in the order of their triangles. */
function trianglesByPart(mesh: Mesh, candidates: Uint32Array): Map<number, Uint32Array> {
  const sorted = candidates.slice().sort();
  const parts = mesh.parts.map((part, number) => ({ number, start: part.start / 3, end: (part.start + part.count) / 3 })).sort((a, b) => a.start - b.start);
  const found = new Map<number, Uint32Array>();
  let i = 0;
  for (const { number, start, end } of parts) {
    while (i < sorted.length && (sorted[i] as number) < start) i++;
    const first = i;
    let kept = first;
    for (; i < sorted.length && (sorted[i] as number) < end; i++) {
      if (i > first && sorted[i] === sorted[kept - 1]) continue;
      sorted[kept++] = sorted[i] as number;
    }
    if (kept > first) found.set(number, sorted.subarray(first, kept));
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
