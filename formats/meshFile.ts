import type { Mesh } from '@core';
import { z } from 'zod';
import { MESH_MAGIC, openMesh } from './openMesh';

const header = z.object({
  corners: z.number().int().min(0),
  indices: z.number().int().min(0),
  parts: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      start: z.number().int().min(0),
      count: z.number().int().min(0),
      parent: z.string().nullable(),
      colour: z.tuple([z.number(), z.number(), z.number(), z.number()]).optional(),
    }),
  ),
});

export function encodeMesh(mesh: Mesh): Uint8Array<ArrayBuffer> {
  const json = new TextEncoder().encode(JSON.stringify({ corners: mesh.positions.length / 3, indices: mesh.indices.length, parts: mesh.parts }));
  const start = Math.ceil((8 + json.length) / 4) * 4;
  const bytes = new Uint8Array(start + mesh.positions.byteLength + mesh.indices.byteLength);
  const view = new DataView(bytes.buffer);
  view.setUint32(0, MESH_MAGIC, true);
  view.setUint32(4, json.length, true);
  bytes.set(json, 8);
  bytes.set(new Uint8Array(mesh.positions.buffer, mesh.positions.byteOffset, mesh.positions.byteLength), start);
  bytes.set(new Uint8Array(mesh.indices.buffer, mesh.indices.byteOffset, mesh.indices.byteLength), start + mesh.positions.byteLength);
  return bytes;
}

export const decodeMesh = (bytes: Uint8Array): Mesh => openMesh(bytes, (value) => header.parse(value));
