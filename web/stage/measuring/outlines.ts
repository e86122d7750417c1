import { cornersAt, type Feature, type Mesh } from '@core/geometry';
import { addScaled, cross, dot, perpendicular, sub, type Vec3 } from '@core/math';

const ROUND = 48;

/** The lines that tell where a feature is, each as world points, metres. */
export function outlineOf(mesh: Mesh, feature: Feature): readonly (readonly Vec3[])[] {
  if (feature.kind === 'point') return [];
  if (feature.kind === 'edge') return [feature.ends];
  if (feature.kind === 'plane') return bordersOf(mesh, feature.triangles);
  const { point, direction, radius, triangles } = feature;
  let [low, high] = [0, 0];
  for (const triangle of triangles)
    for (const corner of cornersAt(mesh, triangle)) {
      const along = dot(sub(corner, point), direction);
      low = Math.min(low, along);
      high = Math.max(high, along);
    }
  const x = perpendicular(direction);
  const y = cross(direction, x);
  const ring = (along: number): Vec3[] =>
    Array.from({ length: ROUND + 1 }, (_, i) => {
      const angle = (2 * Math.PI * i) / ROUND;
      return addScaled(addScaled(addScaled(point, direction, along), x, radius * Math.cos(angle)), y, radius * Math.sin(angle));
    });
  return [ring(low), ring(high), [addScaled(point, direction, low * 1.2), addScaled(point, direction, high * 1.2)]];
}

/** The sides of triangles that only one of them has. */
function bordersOf(mesh: Mesh, triangles: readonly number[]): (readonly Vec3[])[] {
  const sides = new Map<string, readonly [Vec3, Vec3] | null>();
  for (const triangle of triangles) {
    const corners = cornersAt(mesh, triangle);
    for (let k = 0; k < 3; k++) {
      const [a, b] = [corners[k] as Vec3, corners[(k + 1) % 3] as Vec3];
      const key = a.join() < b.join() ? `${a.join()} ${b.join()}` : `${b.join()} ${a.join()}`;
      sides.set(key, sides.has(key) ? null : [a, b]);
    }
  }
  return [...sides.values()].filter((side) => side !== null);
}
