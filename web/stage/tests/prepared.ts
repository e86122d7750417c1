import type { Mesh } from '@core/geometry';
import { BufferAttribute, BufferGeometry } from 'three';
import { MeshBVH } from 'three-mesh-bvh';
import type { Prepared } from '../prepared';

/** As the worker prepares a mesh, as far as looking into it needs it. */
export function prepared(mesh: Mesh): Prepared {
  const geometry = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  geometry.setIndex(new BufferAttribute(mesh.indices, 1));
  const none = new Float32Array();
  return {
    mesh,
    positions: none,
    normals: none,
    edges: none,
    edgeStarts: new Uint32Array(),
    bvh: MeshBVH.serialize(new MeshBVH(geometry, { indirect: true })),
  };
}
