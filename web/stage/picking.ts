import { heightOver } from '@core/geometry';
import type { Pick } from '@core/input';
import { backOf, dot, sub, unit, type Vec3 } from '@core/math';
import { effectiveVisibility, type Scene } from '@core/navigation';
import { eyeOf, FRAME_ASPECT, rayThrough } from '@core/view';
import { BufferAttribute, BufferGeometry, DoubleSide, Ray, Vector3 } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Prepared } from './prepared';

export type Picker = (scene: Scene, u: number, v: number) => Pick | null;

/** Finds what lies under a frame point: the nearest shown, uncut surface; glass only where nothing else is. */
export function createPicker(prepared: Prepared): Picker {
  const { mesh } = prepared;
  const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  geometry.setIndex(new BufferAttribute(mesh.indices, 1));
  const bvh = MeshBVH.deserialize(prepared.bvh, geometry, { setIndex: false });
  const starts = mesh.parts
    .map((part, number) => ({ number, start: part.start, count: part.count }))
    .filter((part) => part.count > 0)
    .sort((a, b) => a.start - b.start);

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

  return (scene, u, v) => {
    const { origin, direction } = rayThrough(scene.view, u, v, FRAME_ASPECT);
    const states = effectiveVisibility(mesh.parts, scene.visibility);
    const hits = bvh.raycast(new Ray(new Vector3(...origin), new Vector3(...direction)), DoubleSide);
    let best: { distance: number; pick: Pick; glass: boolean } | null = null;
    const forward = backOf(scene.view.orientation);
    const eye = eyeOf(scene.view);
    for (const hit of hits) {
      const number = partAt(hit.faceIndex ?? 0);
      const state = states[number];
      if (state === 'hidden' || !hit.face) continue;
      const point: Vec3 = [hit.point.x, hit.point.y, hit.point.z];
      if (scene.section && heightOver(scene.section, point) > 0) continue;
      const glass = state === 'glass';
      if (best && (best.glass === glass ? best.distance <= hit.distance : !best.glass)) continue;
      const normal = unit([hit.face.normal.x, hit.face.normal.y, hit.face.normal.z]);
      const part = mesh.parts[number];
      if (!normal || !part) continue;
      best = { distance: hit.distance, glass, pick: { point, normal, part: part.id, depth: -dot(sub(point, eye), forward) } };
    }
    return best?.pick ?? null;
  };
}
