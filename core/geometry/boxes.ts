import type { Vec3 } from '../math';
import type { Mesh, Part } from './mesh';

/** Corners of the six faces of a box, wound outwards. */
const FACES = [
  [0, 3, 2, 1],
  [4, 5, 6, 7],
  [0, 1, 5, 4],
  [1, 2, 6, 5],
  [2, 3, 7, 6],
  [3, 0, 4, 7],
] as const;

/** Boxes between two corners each, one part a box; `parent` names another box. */
export function boxes(list: readonly { id: string; min: Vec3; max: Vec3; parent?: string }[]): Mesh {
  const positions: number[] = [];
  const indices: number[] = [];
  const parts: Part[] = [];
  for (const { id, min, max, parent } of list) {
    const start = indices.length;
    const first = positions.length / 3;
    for (const z of [min[2], max[2]]) positions.push(min[0], min[1], z, max[0], min[1], z, max[0], max[1], z, min[0], max[1], z);
    for (const [a, b, c, d] of FACES) indices.push(first + a, first + b, first + c, first + a, first + c, first + d);
    parts.push({ id, name: id, start, count: indices.length - start, parent: parent ?? null });
  }
  return { positions: new Float32Array(positions), indices: new Uint32Array(indices), parts };
}
