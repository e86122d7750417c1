import type { Vec3 } from '../math';

/** One named piece; `start` and `count` are entries of `indices` (three a triangle). */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly start: number;
  readonly count: number;
  readonly parent: string | null;
  /** As shown, sRGB 0 … 1 with opacity; left out: the stage's own. */
  readonly colour?: readonly [r: number, g: number, b: number, opacity: number] | undefined;
}

/** A model in world metres, +Z up. `positions`: x, y, z per corner; `indices`: three corners per triangle. */
export interface Mesh {
  readonly positions: Float32Array;
  readonly indices: Uint32Array;
  readonly parts: readonly Part[];
}

export interface Box {
  readonly min: Vec3;
  readonly max: Vec3;
}

/** Numbers of the parts listed and of everything under them; an empty list means all parts. */
export function partsUnder(mesh: Mesh, ids: readonly string[]): Set<number> {
  if (ids.length === 0) return new Set(mesh.parts.keys());
  const byId = new Map(mesh.parts.map((part, i) => [part.id, i]));
  const wanted = new Set(ids);
  const found = new Set<number>();
  mesh.parts.forEach((part, i) => {
    let at: Part | undefined = part;
    for (let steps = 0; at && steps <= mesh.parts.length; steps++) {
      if (wanted.has(at.id)) {
        found.add(i);
        return;
      }
      const above: number | undefined = at.parent === null ? undefined : byId.get(at.parent);
      at = above === undefined ? undefined : mesh.parts[above];
    }
  });
  return found;
}

/** The three corners of a triangle, by its number. */
export function cornersAt({ positions, indices }: Mesh, triangle: number): readonly [Vec3, Vec3, Vec3] {
  const corner = (k: number): Vec3 => {
    const at = (indices[triangle * 3 + k] as number) * 3;
    return [positions[at] as number, positions[at + 1] as number, positions[at + 2] as number];
  };
  return [corner(0), corner(1), corner(2)];
}

/** Middle of a box. */
export const middleOf = ({ min, max }: Box): Vec3 => [(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, (min[2] + max[2]) / 2];

/** Whether a point lies in a box, not on its faces. */
export const isInBox = ({ min, max }: Box, point: Vec3): boolean => point.every((x, axis) => x > (min[axis] as number) && x < (max[axis] as number));

/** Axis-aligned box of the corners that the parts use, or null when they use none. */
export function boxOf(mesh: Mesh, parts: ReadonlySet<number> = new Set(mesh.parts.keys())): Box | null {
  const min = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
  const max = [Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY, Number.NEGATIVE_INFINITY];
  for (const number of parts) {
    const part = mesh.parts[number];
    if (!part) continue;
    for (let i = part.start; i < part.start + part.count; i++) {
      const at = (mesh.indices[i] as number) * 3;
      for (let axis = 0; axis < 3; axis++) {
        const value = mesh.positions[at + axis] as number;
        if (value < (min[axis] as number)) min[axis] = value;
        if (value > (max[axis] as number)) max[axis] = value;
      }
    }
  }
  if (!((min[0] as number) <= (max[0] as number))) return null;
  return { min: min as unknown as Vec3, max: max as unknown as Vec3 };
}
