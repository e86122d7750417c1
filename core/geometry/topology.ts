import { cross, dot, exact, length, scale, sub, type Vec3 } from '../math';
import { createMemory } from './memory';
import { cornersAt, type Mesh } from './mesh';

/** Which triangles of a part touch which: corners at the same place are one. Numbers are those of the mesh's triangles. */
export interface Topology {
  /** First triangle of the part, and how many it has. */
  readonly first: number;
  readonly count: number;
  /** Number of the place of each corner, three a triangle. */
  readonly places: Int32Array;
  /** For each side of each triangle (from corner k to the next) the triangle beyond, counted from `first`; -1: none, or more than one. */
  readonly beyond: Int32Array;
  /** Unit normal of each triangle, x, y, z; zeros where it has no area. */
  readonly normals: Float64Array;
  /** Sides at which the surface breaks off or turns sharply, by triangle * 3 + side, each once. */
  readonly creases: readonly number[];
}

/** A side is a crease where the surface turns by more than 20 degrees: where the cosine between the normals is less. */
const CREASE = exact.cos((20 * Math.PI) / 180);

/** Mixes whole numbers to a slot of a table. */
const mixed = (a: number, b: number, c: number): number => (Math.imul(a, 73856093) ^ Math.imul(b, 19349663) ^ Math.imul(c, 83492791)) >>> 0;

/** A table of at least twice as many slots, their number a power of two. */
const tableFor = (entries: number): Int32Array => {
  let size = 16;
  while (size < entries * 2) size *= 2;
  return new Int32Array(size).fill(-1);
};

/** One number for each place at which corners of the triangles lie. */
function placesOf({ positions, indices }: Mesh, first: number, count: number): { places: Int32Array; total: number } {
  const bits = new Uint32Array(positions.buffer, positions.byteOffset, positions.length);
  const table = tableFor(count * 3);
  const places = new Int32Array(count * 3);
  const corner: number[] = [];
  // Minus nought is nought.
  const at = (i: number): number => (positions[i] === 0 ? 0 : (bits[i] as number));
  for (let i = 0; i < count * 3; i++) {
    const c = (indices[first * 3 + i] as number) * 3;
    let slot = mixed(at(c), at(c + 1), at(c + 2)) & (table.length - 1);
    for (;;) {
      const known = table[slot] as number;
      if (known < 0) {
        table[slot] = corner.length;
        places[i] = corner.length;
        corner.push(c);
        break;
      }
      const k = corner[known] as number;
      if (positions[k] === positions[c] && positions[k + 1] === positions[c + 1] && positions[k + 2] === positions[c + 2]) {
        places[i] = known;
        break;
      }
      slot = (slot + 1) & (table.length - 1);
    }
  }
  return { places, total: corner.length };
}

/** The side beyond each side; -1 where there is none, -2 where there are several. */
function matesOf(places: Int32Array): Int32Array {
  const mates = new Int32Array(places.length).fill(-1);
  const table = tableFor(places.length);
  for (let side = 0; side < places.length; side++) {
    const next = side % 3 === 2 ? side - 2 : side + 1;
    const [p, q] = [places[side] as number, places[next] as number];
    const [low, high] = p < q ? [p, q] : [q, p];
    let slot = mixed(low, high, 0) & (table.length - 1);
    for (;;) {
      const known = table[slot] as number;
      if (known < 0) {
        table[slot] = side;
        break;
      }
      const after = known % 3 === 2 ? known - 2 : known + 1;
      const [a, b] = [places[known] as number, places[after] as number];
      if ((a === low && b === high) || (a === high && b === low)) {
        const taken = mates[known] !== -1;
        mates[side] = taken ? -2 : known;
        mates[known] = taken ? -2 : side;
        break;
      }
      slot = (slot + 1) & (table.length - 1);
    }
  }
  return mates;
}

const made = createMemory<Topology>(256);

/** The topology of a part, by its number; computed once a part. */
export function topologyOf(mesh: Mesh, part: number): Topology {
  return made(mesh, String(part), () => {
    const { start, count: entries } = mesh.parts[part] ?? { start: 0, count: 0 };
    const [first, count] = [start / 3, entries / 3];
    const { places } = placesOf(mesh, first, count);
    const mates = matesOf(places);
    const normals = new Float64Array(count * 3);
    for (let triangle = 0; triangle < count; triangle++) {
      const [a, b, c] = cornersAt(mesh, first + triangle);
      const across = cross(sub(b, a), sub(c, a));
      const area = length(across);
      if (area > 0) normals.set(scale(across, 1 / area), triangle * 3);
    }
    const creases: number[] = [];
    for (let side = 0; side < mates.length; side++) {
      const mate = mates[side] as number;
      if (mate >= 0 && mate < side) continue;
      const own = normalAt(normals, Math.floor(side / 3));
      const other = mate < 0 ? null : normalAt(normals, Math.floor(mate / 3));
      // A triangle without area turns nowhere.
      if (!other || (dot(own, other) < CREASE && dot(own, own) > 0 && dot(other, other) > 0)) creases.push(side);
    }
    return { first, count, places, beyond: mates.map((mate) => (mate < 0 ? -1 : Math.floor(mate / 3))), normals, creases };
  });
}

/** Unit normal of a triangle, counted from a part's first. */
export const normalAt = (normals: Float64Array, triangle: number): Vec3 => [
  normals[triangle * 3] as number,
  normals[triangle * 3 + 1] as number,
  normals[triangle * 3 + 2] as number,
];

/** The triangles that can be reached from one over sides that `passes` lets through; counted from the part's first. */
export function connected({ beyond, count }: Topology, from: number, passes: (to: number, over: number) => boolean): number[] {
  const seen = new Uint8Array(count);
  const found = [from];
  seen[from] = 1;
  for (let i = 0; i < found.length; i++) {
    const triangle = found[i] as number;
    for (let k = 0; k < 3; k++) {
      const next = beyond[triangle * 3 + k] as number;
      if (next < 0 || seen[next] || !passes(next, triangle)) continue;
      seen[next] = 1;
      found.push(next);
    }
  }
  return found;
}
