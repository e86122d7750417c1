import type { Mesh } from '@core/geometry';
import type { Prepared, Refined } from '@web/stage/prepared';
import { BufferAttribute, BufferGeometry, EdgesGeometry } from 'three';
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js';
import { MeshBVH } from 'three-mesh-bvh';

/** Faces that meet at less than this are shaded as one; sharper ones get a drawn edge. */
const CREASE = Math.PI / 6;
const EDGE_DEGREES = 28;

/** x, y, z of every entry of the mesh's indices. */
function expand(mesh: Mesh): Float32Array {
  const positions = new Float32Array(mesh.indices.length * 3);
  for (let i = 0; i < mesh.indices.length; i++) {
    const corner = (mesh.indices[i] as number) * 3;
    positions[i * 3] = mesh.positions[corner] as number;
    positions[i * 3 + 1] = mesh.positions[corner + 1] as number;
    positions[i * 3 + 2] = mesh.positions[corner + 2] as number;
  }
  return positions;
}

const loose = (positions: Float32Array): BufferGeometry => new BufferGeometry().setAttribute('position', new BufferAttribute(positions, 3));

/** The fine shading and the drawn edges of a mesh: what takes longest, and what a first picture can do without. */
export function refineMesh(mesh: Mesh, positions = expand(mesh)): Refined {
  const normals = toCreasedNormals(loose(positions), CREASE).getAttribute('normal').array as Float32Array;
  const edges: number[] = [];
  const edgeStarts = new Uint32Array(mesh.parts.length + 1);
  mesh.parts.forEach((part, n) => {
    edgeStarts[n] = edges.length / 3;
    if (part.count === 0) return;
    const piece = loose(positions.subarray(part.start * 3, (part.start + part.count) * 3));
    for (const value of new EdgesGeometry(piece, EDGE_DEGREES).getAttribute('position').array) edges.push(value);
  });
  edgeStarts[mesh.parts.length] = edges.length / 3;
  return { normals, edges: new Float32Array(edges), edgeStarts };
}

/** All that a first picture and picking need: corners, a search tree, and every face shaded as it lies. Space: world metres. */
export function prepareFirst(mesh: Mesh): Prepared {
  const positions = expand(mesh);
  const faces = loose(positions);
  faces.computeVertexNormals();
  const solid = new BufferGeometry().setAttribute('position', new BufferAttribute(mesh.positions, 3));
  solid.setIndex(new BufferAttribute(mesh.indices, 1));
  return {
    mesh,
    positions,
    normals: faces.getAttribute('normal').array as Float32Array,
    edges: new Float32Array(),
    edgeStarts: new Uint32Array(mesh.parts.length + 1),
    bvh: MeshBVH.serialize(new MeshBVH(solid, { indirect: true }), { cloneBuffers: false }),
  };
}

/** Everything at once, for a mesh that is small enough not to be waited for. */
export function prepareMesh(mesh: Mesh): Prepared {
  const first = prepareFirst(mesh);
  return { ...first, ...refineMesh(mesh, first.positions) };
}
