import type { Mesh } from '@core';
import { decodeMesh } from '@formats';
import { LRUCache } from 'lru-cache';

/** A mesh file in memory that all threads share. */
export interface MeshBytes {
  readonly hash: string;
  readonly buffer: SharedArrayBuffer;
}

/** A thread keeps meshes of so many bytes open, with the hulls that were computed of them. */
const KEPT = 256 * 1024 * 1024;
const open = new LRUCache<string, Mesh>({ maxSize: KEPT, sizeCalculation: (mesh) => mesh.positions.byteLength + mesh.indices.byteLength + 1 });

/** The mesh of shared bytes; its arrays lie in them and are not copied. */
export function sharedMesh({ hash, buffer }: MeshBytes): Mesh {
  const known = open.get(hash);
  if (known) return known;
  const mesh = decodeMesh(new Uint8Array(buffer));
  open.set(hash, mesh);
  return mesh;
}
