import type { Mesh } from '@core/geometry';
import { openMesh } from '@formats/openMesh';
import type { Prepared, Refined } from '@web/stage/prepared';
import { expose, transfer } from 'comlink';
import { prepareFirst, prepareMesh, refineMesh } from './prepareMesh';

/** Up to this many triangles the edges are there before anyone would miss them. */
const AT_ONCE = 60_000;

let waiting: Mesh | null = null;

const buffers = ({ normals, edges, edgeStarts }: Refined): ArrayBuffer[] => [normals.buffer, edges.buffer, edgeStarts.buffer] as ArrayBuffer[];

const api = {
  /** Opens a mesh file and makes it ready to draw. A large one comes without its edges first: `refine` then gives them. */
  prepare(bytes: Uint8Array): { prepared: Prepared; whole: boolean } {
    // The file was written and checked by the server under the hash of its content.
    const mesh = openMesh(bytes, (value) => value as Parameters<Parameters<typeof openMesh>[1]>[0] & ReturnType<Parameters<typeof openMesh>[1]>);
    const whole = mesh.indices.length <= AT_ONCE * 3;
    waiting = whole ? null : mesh;
    const prepared = whole ? prepareMesh(mesh) : prepareFirst(mesh);
    return transfer({ prepared, whole }, [prepared.positions.buffer as ArrayBuffer, ...buffers(prepared)]);
  },
  /** Fine shading and edges of the mesh that was opened. */
  refine(): Refined | null {
    if (!waiting) return null;
    const refined = refineMesh(waiting);
    waiting = null;
    return transfer(refined, buffers(refined));
  },
};
export type PrepareWorker = typeof api;
expose(api);
