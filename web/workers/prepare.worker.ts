import { openMesh } from '@formats/openMesh';
import type { Prepared } from '@web/stage/prepared';
import { expose, transfer } from 'comlink';
import { BufferAttribute, BufferGeometry, EdgesGeometry } from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { MeshBVH } from 'three-mesh-bvh';

/** Faces that meet at less than this are shaded as one; sharper ones get a drawn edge. */
const CREASE = Math.PI / 6;
const EDGE_DEGREES = 28;

/** Opens a mesh file and makes normals, edges and a search tree of it. Space: world metres. */
function prepare(bytes: Uint8Array): Prepared {
  // The file was written and checked by the server under the hash of its content.
  const mesh = openMesh(bytes, (value) => value as Parameters<Parameters<typeof openMesh>[1]>[0] & ReturnType<Parameters<typeof openMesh>[1]>);
  const positions = new Float32Array(mesh.indices.length * 3);
  for (let i = 0; i < mesh.indices.length; i++) {
    const corner = (mesh.indices[i] as number) * 3;
    positions[i * 3] = mesh.positions[corner] as number;
    positions[i * 3 + 1] = mesh.positions[corner + 1] as number;
    positions[i * 3 + 2] = mesh.positions[corner + 2] as number;
  }
  const loose = new BufferGeometry().setAttribute('position', new BufferAttribute(positions, 3));
  const normals = toCreasedNormals(loose, CREASE).getAttribute('normal').array as Float32Array;

  const edges: number[] = [];
  const edgeStarts = new Uint32Array(mesh.parts.length + 1);
  mesh.parts.forEach((part, n) => {
    edgeStarts[n] = edges.length / 3;
    if (part.count === 0) return;
    const piece = new BufferGeometry().setAttribute('position', new BufferAttribute(positions.subarray(part.start * 3, (part.start + part.count) * 3), 3));
    for (const value of new EdgesGeometry(piece, EDGE_DEGREES).getAttribute('position').array) edges.push(value);
  });
  edgeStarts[mesh.parts.length] = edges.length / 3;

  const solid = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  solid.setIndex(new BufferAttribute(mesh.indices, 1));
  const bvh = MeshBVH.serialize(new MeshBVH(solid, { indirect: true }), { cloneBuffers: false });
  const made: Prepared = { mesh, positions, normals, edges: new Float32Array(edges), edgeStarts, bvh };
  return transfer(made, [positions.buffer, normals.buffer, made.edges.buffer, edgeStarts.buffer]);
}

const api = { prepare };
export type PrepareWorker = typeof api;
expose(api);
