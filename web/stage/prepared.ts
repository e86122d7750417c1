import type { Mesh } from '@core/geometry';
import type { SerializedBVH } from 'three-mesh-bvh';

/** Fine shading and drawn edges. */
export interface Refined {
  readonly normals: Float32Array;
  /** Ends of drawn edges, x, y, z each; the edges of a part lie together. */
  readonly edges: Float32Array;
  /** First edge end of each part, and one entry more for the end. */
  readonly edgeStarts: Uint32Array;
}

/** What a worker makes of a mesh once, so that the stage can draw and pick it. Corner i belongs to `mesh.indices[i]`. */
export interface Prepared extends Refined {
  readonly mesh: Mesh;
  /** x, y, z per entry of `mesh.indices`. */
  readonly positions: Float32Array;
  readonly bvh: SerializedBVH;
  /** Given while the fine shading and the edges of a large model are still being made. */
  readonly refined?: Promise<Refined>;
}
