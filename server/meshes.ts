import type { Mesh } from '@core';
import { decodeMesh, partIdsOf } from '@formats';
import { LRUCache } from 'lru-cache';
import { notFound } from './errors';
import type { MeshBytes } from './pool';
import type { Service } from './service';

/** Bytes of meshes that stay in memory, once for all threads of this process. */
const KEPT = 512 * 1024 * 1024;

const kept = new LRUCache<string, MeshBytes, Service>({
  maxSize: KEPT,
  sizeCalculation: ({ buffer }) => Math.max(1, buffer.byteLength),
  // Asked for several times at once, a file is read once.
  fetchMethod: async (hash, _stale, { context }) => {
    const bytes = await context.files.read(hash);
    const buffer = new SharedArrayBuffer(bytes.length);
    new Uint8Array(buffer).set(bytes);
    return { hash, buffer };
  },
});

/** The bytes of a mesh in memory that the pool's threads share. */
export async function meshBytesOf(service: Service, hash: string): Promise<MeshBytes> {
  const found = await kept.fetch(hash, { context: service });
  if (!found) throw notFound('This model');
  return found;
}

/** Ids of a mesh's parts. */
export const partsOf = async (service: Service, hash: string): Promise<Set<string>> =>
  new Set(partIdsOf(new Uint8Array((await meshBytesOf(service, hash)).buffer)));

/** A whole mesh in this thread: for scripts and tests; the server's own work on meshes is done by the pool. */
export const meshOf = async (service: Service, hash: string): Promise<Mesh> => decodeMesh(new Uint8Array((await meshBytesOf(service, hash)).buffer));
