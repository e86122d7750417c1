import { cornersAt, diagonalOf, heightOver, type Mesh, type NearestTriangle } from '@core/geometry';
import type { Pick } from '@core/input';
import { backOf, cross, dot, sub, unit, type Vec3 } from '@core/math';
import { effectiveVisibility, type Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT, rayThrough } from '@core/view';
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Prepared } from '../prepared';

export type Picker = (scene: Scene, u: number, v: number) => Pick | null;

/** What a ray meets first. */
export interface Hit {
  readonly point: Vec3;
  /** Unit, as the triangle is wound. */
  readonly normal: Vec3;
  readonly part: string;
  /** Metres along the ray. */
  readonly distance: number;
  readonly glass: boolean;
}

/** Finds what a ray from `origin` along the unit `direction` meets: the nearest shown, uncut surface; glass only where nothing else is. */
export type Caster = (scene: Pictured, origin: Vec3, direction: Vec3) => Hit | null;
type Pictured = Readonly<{ visibility: Scene['visibility']; section: Scene['section'] }>;

const trees = new WeakMap<Prepared, MeshBVH>();

/** The search tree of a model, read once. */
function searchTree(prepared: Prepared): MeshBVH {
  let found = trees.get(prepared);
  if (!found) {
    const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(prepared.mesh.positions, 3));
    geometry.setIndex(new BufferAttribute(prepared.mesh.indices, 1));
    trees.set(prepared, (found = MeshBVH.deserialize(prepared.bvh, geometry, { setIndex: false })));
  }
  return found;
}

/** From how far a spot on a surface is looked for, in sizes of the model. */
const NEAR = 1e-4;

/** Finds the triangle that a spot lies on, through the search tree: a short ray against its normal meets it first. */
export function nearestThrough(prepared: Prepared): NearestTriangle {
  const bvh = searchTree(prepared);
  const { mesh } = prepared;
  const reach = diagonalOf(mesh) * NEAR;
  const ray = new Ray(new Vector3(), new Vector3());
  return (number, point, normal) => {
    const { start, count } = mesh.parts[number] ?? { start: 0, count: 0 };
    for (const side of [1, -1]) {
      ray.origin.set(point[0] + normal[0] * reach * side, point[1] + normal[1] * reach * side, point[2] + normal[2] * reach * side);
      ray.direction.set(-normal[0] * side, -normal[1] * side, -normal[2] * side);
      const hits = bvh.raycast(ray, DoubleSide, 0, 2 * reach);
      const own = hits
        .filter(({ faceIndex }) => typeof faceIndex === 'number' && faceIndex * 3 >= start && faceIndex * 3 < start + count)
        .sort((a, b) => Math.abs(a.distance - reach) - Math.abs(b.distance - reach))[0];
      if (own) return own.faceIndex ?? null;
    }
    return null;
  };
}

/** Rays into a model, through its search tree. World metres. */
export function createCaster(prepared: Prepared): Caster {
  const { mesh } = prepared;
  const bvh = searchTree(prepared);
  const starts = mesh.parts
    .map((part, number) => ({ number, start: part.start, count: part.count }))
    .filter((part) => part.count > 0)
    .sort((a, b) => a.start - b.start);
  const ray = new Ray(new Vector3(), new Vector3());
  let known: { visibility: Scene['visibility']; states: ReturnType<typeof effectiveVisibility>; plain: boolean } | null = null;

  const statesOf = (visibility: Scene['visibility']): NonNullable<typeof known> => {
    if (known?.visibility !== visibility)
      known = { visibility, states: effectiveVisibility(mesh.parts, visibility), plain: Object.keys(visibility).length === 0 };
    return known;
  };
  const partAt = (face: number): number => {
    let low = 0;
    let high = starts.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if ((starts[middle]?.start ?? 0) <= face * 3) low = middle;
      else high = middle - 1;
    }
    return starts[low]?.number ?? 0;
  };

  return (scene, origin, direction) => {
    ray.origin.set(...origin);
    ray.direction.set(...direction);
    const { states, plain } = statesOf(scene.visibility);
    // Where everything counts, the first surface is the one; else all that the ray meets has to be looked at.
    const first = plain && !scene.section ? bvh.raycastFirst(ray, DoubleSide) : null;
    const hits = plain && !scene.section ? (first ? [first] : []) : bvh.raycast(ray, DoubleSide);
    let best: Hit | null = null;
    for (const hit of hits) {
      const number = partAt(hit.faceIndex ?? 0);
      const state = states[number];
      if (state === 'hidden' || !hit.face) continue;
      const glass = state === 'glass';
      if (best && (best.glass === glass ? best.distance <= hit.distance : !best.glass)) continue;
      const point: Vec3 = [hit.point.x, hit.point.y, hit.point.z];
      if (scene.section && heightOver(scene.section, point) > 0) continue;
      const normal = unit([hit.face.normal.x, hit.face.normal.y, hit.face.normal.z]);
      const part = mesh.parts[number];
      if (normal && part) best = { point, normal, part: part.id, distance: hit.distance, glass };
    }
    return best;
  };
}

/** Rays that also meet objects that stand in the model; `own`: them as a mesh. Few triangles: each is tried. */
export function withPlacedObjects(cast: Caster, own: Mesh): Caster {
  const ray = new Ray(new Vector3(), new Vector3());
  const meets = new Vector3();
  const corners = [new Vector3(), new Vector3(), new Vector3()] as const;
  return (scene, origin, direction) => {
    let best = cast(scene, origin, direction);
    ray.origin.set(...origin);
    ray.direction.set(...direction);
    for (const part of own.parts) {
      if (scene.visibility[part.id] === 'hidden') continue;
      for (let triangle = part.start / 3; triangle < (part.start + part.count) / 3; triangle++) {
        const [a, b, c] = cornersAt(own, triangle);
        corners[0].set(...a);
        corners[1].set(...b);
        corners[2].set(...c);
        if (!ray.intersectTriangle(...corners, false, meets)) continue;
        const point: Vec3 = [meets.x, meets.y, meets.z];
        const distance = dot(sub(point, origin), direction);
        if (best && !best.glass && best.distance <= distance) continue;
        if (scene.section && heightOver(scene.section, point) > 0) continue;
        const normal = unit(cross(sub(b, a), sub(c, a)));
        if (normal) best = { point, normal, part: part.id, distance, glass: false };
      }
    }
    return best;
  };
}

/** Finds what lies under a frame point. */
export function pickerOf(cast: Caster): Picker {
  return (scene, u, v) => {
    const { origin, direction } = rayThrough(scene.view, u, v, FRAME_ASPECT);
    const hit = cast(scene, origin, direction);
    if (!hit) return null;
    const { point, normal, part } = hit;
    return { point, normal, part, depth: -dot(sub(point, eyeOf(scene.view)), backOf(scene.view.orientation)) };
  };
}
