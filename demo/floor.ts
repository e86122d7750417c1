import type { Mesh, Vec3 } from '@core';

/** Height of the highest surface straight under a point, metres; null where there is none. */
export function floorBeneath({ positions, indices }: Mesh, [x, y, z]: Vec3): number | null {
  let highest: number | null = null;
  const corner = (i: number): Vec3 => {
    const at = 3 * (indices[i] as number);
    return [positions[at] as number, positions[at + 1] as number, positions[at + 2] as number];
  };
  for (let i = 0; i < indices.length; i += 3) {
    const [a, b, c] = [corner(i), corner(i + 1), corner(i + 2)];
    const area = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
    if (Math.abs(area) < 1e-12) continue;
    const s = ((x - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (y - a[1])) / area;
    const t = ((b[0] - a[0]) * (y - a[1]) - (x - a[0]) * (b[1] - a[1])) / area;
    if (s < 0 || t < 0 || s + t > 1) continue;
    const height = a[2] + s * (b[2] - a[2]) + t * (c[2] - a[2]);
    if (height <= z && (highest === null || height > highest)) highest = height;
  }
  return highest;
}
