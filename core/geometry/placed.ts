import { add, exact, rotate, scale, type Vec3 } from '../math';
import { createMemory } from './memory';
import type { Mesh, Part } from './mesh';
import type { Placed, Shape } from './placedSchema';

export { type Placed, SHAPES, type Shape } from './placedSchema';

/** Corners and triangles of a shape whose longest side is 1, about its middle. */
interface Solid {
  readonly corners: readonly Vec3[];
  readonly faces: readonly (readonly [number, number, number])[];
}

const ROUND = 24;

/** A surface of rows of corners, each row closed; `closed`: the last row joins the first. */
function rows(count: number, around: number, closed: boolean, corner: (row: number, k: number) => Vec3): Solid {
  const corners: Vec3[] = [];
  const faces: [number, number, number][] = [];
  for (let row = 0; row < count; row++) for (let k = 0; k < around; k++) corners.push(corner(row, k));
  for (let row = 0; row < (closed ? count : count - 1); row++) {
    for (let k = 0; k < around; k++) {
      const at = (r: number, n: number): number => (r % count) * around + (n % around);
      const [a, b, c, d] = [at(row, k), at(row, k + 1), at(row + 1, k + 1), at(row + 1, k)];
      faces.push([a, b, c], [a, c, d]);
    }
  }
  return { corners, faces };
}

/** A profile turned about the upright axis, from beneath to above: radius and height; at both ends on the axis. */
function turned(profile: readonly (readonly [radius: number, height: number])[]): Solid {
  return rows(profile.length, ROUND, false, (row, k) => {
    const [r, z] = profile[row] as readonly [number, number];
    const angle = (2 * Math.PI * k) / ROUND;
    return [r * exact.cos(angle), r * exact.sin(angle), z];
  });
}

const h = 0.5;
const BOX: readonly Vec3[] = [
  [-h, -h, -h],
  [h, -h, -h],
  [h, h, -h],
  [-h, h, -h],
  [-h, -h, h],
  [h, -h, h],
  [h, h, h],
  [-h, h, h],
];

const SOLIDS: { readonly [S in Shape]: () => Solid } = {
  ball: () =>
    turned(
      Array.from({ length: ROUND / 2 + 1 }, (_, i): [number, number] => {
        const angle = Math.PI * (i / (ROUND / 2) - 0.5);
        return [h * exact.cos(angle), h * exact.sin(angle)];
      }),
    ),
  cube: () => ({
    corners: BOX,
    faces: [
      [0, 3, 2],
      [0, 2, 1],
      [4, 5, 6],
      [4, 6, 7],
      [0, 1, 5],
      [0, 5, 4],
      [1, 2, 6],
      [1, 6, 5],
      [2, 3, 7],
      [2, 7, 6],
      [3, 0, 4],
      [3, 4, 7],
    ],
  }),
  cone: () =>
    turned([
      [0, -h],
      [0.4, -h],
      [0, h],
    ]),
  cylinder: () =>
    turned([
      [0, -h],
      [0.25, -h],
      [0.25, h],
      [0, h],
    ]),
  ring: () =>
    rows(ROUND, ROUND / 2, true, (row, k) => {
      const [along, about] = [(2 * Math.PI * row) / ROUND, (4 * Math.PI * k) / ROUND];
      const r = 0.36 + 0.14 * exact.cos(about);
      return [r * exact.cos(along), r * exact.sin(along), -0.14 * exact.sin(about)];
    }),
  // A cube cut in half along two of its edges.
  wedge: () => ({
    corners: BOX.slice(0, 6),
    faces: [
      [0, 3, 2],
      [0, 2, 1],
      [0, 1, 5],
      [0, 5, 4],
      [1, 2, 5],
      [3, 0, 4],
      [2, 3, 4],
      [2, 4, 5],
    ],
  }),
};

/** Something to be found that stands in a model, by its id. */
export interface PlacedItem {
  readonly id: string;
  readonly name: string;
  readonly object: Placed;
}

/** The part id that a placed object has: of no part of a model. */
export const placedPart = (id: string): string => `placed:${id}`;

/** Warm red, told from what models are painted with. */
const COLOUR = [0.78, 0.2, 0.16, 1] as const;

/** Placed objects as a mesh of their own: one part each. */
export function placedMesh(items: readonly PlacedItem[]): Mesh {
  const positions: number[] = [];
  const indices: number[] = [];
  const parts = items.map(({ id, name, object }): Part => {
    const { corners, faces } = SOLIDS[object.shape]();
    const [start, first] = [indices.length, positions.length / 3];
    for (const corner of corners) positions.push(...add(object.point, rotate(object.turn, scale(corner, object.size))));
    for (const face of faces) indices.push(...face.map((k) => first + k));
    return { id: placedPart(id), name, start, count: indices.length - start, parent: null, colour: COLOUR };
  });
  return { positions: new Float32Array(positions), indices: new Uint32Array(indices), parts };
}

const made = createMemory<Mesh>(8);

/** A mesh with objects placed in it, as parts at its end. They are for pictures: of no part tree, and fitted by nothing. */
export function withPlaced(mesh: Mesh, items: readonly PlacedItem[]): Mesh {
  if (items.length === 0) return mesh;
  return made(mesh, JSON.stringify(items), () => {
    const own = placedMesh(items);
    const [corners, entries] = [mesh.positions.length / 3, mesh.indices.length];
    const positions = new Float32Array(mesh.positions.length + own.positions.length);
    positions.set(mesh.positions);
    positions.set(own.positions, mesh.positions.length);
    const indices = new Uint32Array(entries + own.indices.length);
    indices.set(mesh.indices);
    indices.set(
      own.indices.map((k) => k + corners),
      entries,
    );
    return { positions, indices, parts: [...mesh.parts, ...own.parts.map((part) => ({ ...part, start: part.start + entries }))] };
  });
}
