import { boxOf, type Mesh, type Vec3 } from '@core';
import { z } from 'zod';

/** How a file's axes and numbers are to be taken. */
export const placementSchema = z.object({
  /** Metres that one unit of the file stands for. */
  metresPerUnit: z.number().gt(0).max(1e6),
  /** The axis, as the format turns it, that is up. */
  up: z.enum(['+z', '-z', '+y', '-y', '+x', '-x']),
  /** Quarter turns about the vertical that bring the front to the front. */
  turns: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]),
});
export type Placement = z.infer<typeof placementSchema>;
export const AS_IT_IS: Placement = { metresPerUnit: 1, up: '+z', turns: 0 };

const TO_UP: Record<Placement['up'], (x: number, y: number, z: number) => Vec3> = {
  '+z': (x, y, z) => [x, y, z],
  '-z': (x, y, z) => [x, -y, -z],
  '+y': (x, y, z) => [x, -z, y],
  '-y': (x, y, z) => [x, z, -y],
  '+x': (x, y, z) => [-z, y, x],
  '-x': (x, y, z) => [z, y, -x],
};

const TURN: Record<Placement['turns'], (x: number, y: number) => readonly [number, number]> = {
  0: (x, y) => [x, y],
  1: (x, y) => [-y, x],
  2: (x, y) => [-x, -y],
  3: (x, y) => [y, -x],
};

/**
 * The mesh scaled, turned and moved so that it stands on the origin: the middle of its footprint at x = y = 0, its
 * lowest point at z = 0. `offset`: what was taken off each coordinate, metres.
 */
export function placeMesh(mesh: Mesh, placement: Placement): { mesh: Mesh; offset: Vec3 } {
  const positions = new Float32Array(mesh.positions.length);
  const k = placement.metresPerUnit;
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = TO_UP[placement.up](mesh.positions[i] as number, mesh.positions[i + 1] as number, mesh.positions[i + 2] as number);
    const [tx, ty] = TURN[placement.turns](x, y);
    positions[i] = tx * k;
    positions[i + 1] = ty * k;
    positions[i + 2] = z * k;
  }
  const turned: Mesh = { ...mesh, positions };
  const box = boxOf(turned);
  const offset: Vec3 = box ? [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2, box.min[2]] : [0, 0, 0];
  for (let i = 0; i < positions.length; i++) positions[i] = (positions[i] as number) - (offset[i % 3] as number);
  return { mesh: turned, offset };
}
