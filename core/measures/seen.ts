import { createMemory, diagonalOf, drawDepths, type Mesh, openParts, type SurfaceSample, surfaceSamples } from '../geometry';
import { dot, exact, length, normalise, type Quat, sub, unit, type Vec3 } from '../math';
import type { Scene } from '../navigation';
import { eyeOf, FRAME_ASPECT, orientationFrom, projector, type StandardName, type View } from '../view';
import { PICTURE } from './pictures';

/** Places on the subject that are looked for. */
export const SAMPLES = 600;
const SEED = 20;
/** A place is seen when its normal is within this of the way to the eye. */
const FACING = exact.cos((80 * Math.PI) / 180);
/** A place is on the picture's surface when its depth is that within this share of the model's diagonal. */
const ON_SURFACE = 0.01;

/** Places on a subject, and what is needed to tell whether a picture shows them. */
export interface Surface {
  readonly samples: readonly SurfaceSample[];
  readonly open: ReadonlySet<number>;
  /** Diagonals of the model's and of the subject's box, metres. */
  readonly diagonal: number;
  readonly subjectDiagonal: number;
}

const surfaces = createMemory<Surface>();

/** The surface of some parts, made once a model. */
export const surfaceOf = (mesh: Mesh, parts: readonly string[]): Surface =>
  surfaces(mesh, JSON.stringify(parts), () => ({
    samples: surfaceSamples(mesh, parts, SAMPLES, SEED),
    open: openParts(mesh),
    diagonal: diagonalOf(mesh, []),
    subjectDiagonal: diagonalOf(mesh, parts),
  }));

/** The way to the eye from a place that a view shows, unit. */
export function towardsEye(view: View): (place: Vec3) => Vec3 {
  const eye = eyeOf(view);
  const back = unit(sub(eye, view.target)) ?? [0, 0, 1];
  return view.projection === 'perspective' ? (place) => unit(sub(eye, place)) ?? back : () => back;
}

/** Marks the places in `seen` that a scene shows. `near`: the subject's diagonal over the frame's height there must be at least this. */
export function markSeen(mesh: Mesh, { samples, open, diagonal, subjectDiagonal }: Surface, scene: Scene, near: number, seen: Uint8Array): void {
  const { view } = scene;
  const { width, height } = PICTURE;
  const { ids, depths } = drawDepths(mesh, scene, width, height);
  const project = projector(view);
  const towards = towardsEye(view);
  const perspective = view.projection === 'perspective';
  const tangent = exact.tan(view.fovY / 2);
  samples.forEach(({ point, normal, part }, i) => {
    if (seen[i]) return;
    const { u, v, depth } = project(point);
    if (perspective && !(depth > 0)) return;
    const [x, y] = [Math.floor((u / FRAME_ASPECT + 0.5) * width), Math.floor((0.5 - v) * height)];
    if (x < 0 || x >= width || y < 0 || y >= height) return;
    const facing = dot(normal, towards(point));
    if ((open.has(part) ? Math.abs(facing) : facing) < FACING) return;
    const pixel = y * width + x;
    if (ids[pixel] !== part + 1 || Math.abs((depths[pixel] as number) - depth) > ON_SURFACE * diagonal) return;
    if (subjectDiagonal / (2 * (perspective ? depth : view.distance) * tangent) >= near) seen[i] = 1;
  });
}

/** Directions of the corners of an icosahedron whose faces were divided into four, twice: 162, even over the sphere. */
export function evenDirections(): Vec3[] {
  const g = (1 + Math.sqrt(5)) / 2;
  const corners: Vec3[] = [0, 1, 2].flatMap((turn) =>
    [-1, 1].flatMap((a) => [-1, 1].map((b) => [0, 1, 2].map((k) => [0, a, b * g][(k + turn) % 3] as number) as unknown as Vec3)),
  );
  const joined = (a: Vec3, b: Vec3): boolean => Math.abs(length(sub(a, b)) - 2) < 1e-9;
  let faces: (readonly [Vec3, Vec3, Vec3])[] = [];
  for (const [i, a] of corners.entries()) {
    for (const [j, b] of corners.entries()) {
      for (const c of i < j && joined(a, b) ? corners.slice(j + 1) : []) {
        if (joined(b, c) && joined(a, c)) faces.push([unit(a) as Vec3, unit(b) as Vec3, unit(c) as Vec3]);
      }
    }
  }
  const middle = (a: Vec3, b: Vec3): Vec3 => unit([a[0] + b[0], a[1] + b[1], a[2] + b[2]]) as Vec3;
  for (let round = 0; round < 2; round++) {
    faces = faces.flatMap(([a, b, c]) => {
      const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)];
      return [[a, ab, ca] as const, [ab, b, bc] as const, [ca, bc, c] as const, [ab, bc, ca] as const];
    });
  }
  const found = new Map<string, Vec3>();
  for (const p of faces.flat()) found.set(p.map((x) => Math.round(x * 1e6) + 0).join(), p);
  return [...found.values()];
}

/** The orientation of a level look along `direction`, which points to the eye. */
export const lookFrom = ([x, y, z]: Vec3): Quat =>
  normalise(orientationFrom({ azimuth: x === 0 && y === 0 ? 0 : exact.atan2(x, -y), elevation: exact.asin(Math.max(-1, Math.min(1, z))), roll: 0 }));

const SIDES: readonly (readonly [axis: 0 | 1 | 2, sign: 1 | -1, name: StandardName])[] = [
  [1, -1, 'front'],
  [0, 1, 'right'],
  [1, 1, 'rear'],
  [0, -1, 'left'],
  [2, 1, 'top'],
  [2, -1, 'bottom'],
];

/** The side that a normal looks to most. */
export function sideOf(normal: Vec3): StandardName {
  let best = SIDES[0] as (typeof SIDES)[number];
  for (const side of SIDES) if (normal[side[0]] * side[1] > normal[best[0]] * best[1]) best = side;
  return best[2];
}
