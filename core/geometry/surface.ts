import { cross, length, type Random, randomFrom, scale, sub, type Vec3 } from '../math';
import { cornersAt, type Mesh, partsUnder } from './mesh';

/** A place on the surface of a model. */
export interface SurfaceSample {
  readonly point: Vec3;
  /** Unit, outwards where the part is closed. */
  readonly normal: Vec3;
  /** Number of the part in `mesh.parts`. */
  readonly part: number;
}

/** A place in a triangle, even over its area (Turk 1990). */
function within([a, b, c]: readonly [Vec3, Vec3, Vec3], random: Random): Vec3 {
  const r = Math.sqrt(random.next());
  const s = random.next();
  const [ka, kb, kc] = [1 - r, r * (1 - s), r * s];
  return [a[0] * ka + b[0] * kb + c[0] * kc, a[1] * ka + b[1] * kb + c[1] * kc, a[2] * ka + b[2] * kb + c[2] * kc];
}

/**
 * Places on the surface of some parts and what is under them (none listed: of all), as many to an area wherever it is: one in
 * each of `count` equal shares of the area, triangle after triangle. The same seed gives the same places.
 */
export function surfaceSamples(mesh: Mesh, parts: readonly string[], count: number, seed: number): SurfaceSample[] {
  const triangles: { readonly triangle: number; readonly part: number; readonly to: number; readonly normal: Vec3 }[] = [];
  let area = 0;
  // By name: the order of parts in a file decides nothing.
  const idOf = (number: number): string => mesh.parts[number]?.id ?? '';
  for (const number of [...partsUnder(mesh, parts)].sort((a, b) => (idOf(a) < idOf(b) ? -1 : 1))) {
    const part = mesh.parts[number];
    if (!part) continue;
    for (let i = part.start; i < part.start + part.count; i += 3) {
      const [a, b, c] = cornersAt(mesh, i / 3);
      const across = cross(sub(b, a), sub(c, a));
      const twice = length(across);
      if (!(twice > 0)) continue;
      area += twice;
      triangles.push({ triangle: i / 3, part: number, to: area, normal: scale(across, 1 / twice) });
    }
  }
  const random = randomFrom(seed);
  const found: SurfaceSample[] = [];
  let at = 0;
  for (let i = 0; i < count && area > 0; i++) {
    const wanted = ((i + random.next()) / count) * area;
    while (at < triangles.length - 1 && (triangles[at] as (typeof triangles)[number]).to < wanted) at++;
    const { triangle, part, normal } = triangles[at] as (typeof triangles)[number];
    found.push({ point: within(cornersAt(mesh, triangle), random), normal, part });
  }
  return found;
}

/** Numbers of the parts whose surface is open: with an edge that not just two triangles share, corners welded by place. */
export function openParts(mesh: Mesh): Set<number> {
  const places = new Map<string, number>();
  const placeOf = (p: Vec3): number => {
    const key = `${p[0] + 0},${p[1] + 0},${p[2] + 0}`;
    const known = places.get(key);
    if (known !== undefined) return known;
    places.set(key, places.size);
    return places.size - 1;
  };
  const found = new Set<number>();
  mesh.parts.forEach((part, number) => {
    const edges = new Map<string, number>();
    for (let i = part.start; i < part.start + part.count; i += 3) {
      const corners = cornersAt(mesh, i / 3).map(placeOf);
      corners.forEach((a, k) => {
        const b = corners[(k + 1) % 3] as number;
        if (a === b) return;
        const key = a < b ? `${a} ${b}` : `${b} ${a}`;
        edges.set(key, (edges.get(key) ?? 0) + 1);
      });
    }
    if ([...edges.values()].some((times) => times !== 2)) found.add(number);
  });
  return found;
}
