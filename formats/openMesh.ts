import type { Mesh, Part } from '@core';
import { FormatError } from './formatError';

/** The canonical mesh file: "DHM1", length of the JSON, the JSON (parts, counts), padding, positions, indices. */
export const MESH_MAGIC = 0x314d4844;

interface Header {
  readonly corners: number;
  readonly indices: number;
  readonly parts: readonly Part[];
}

/** Inverse of `encodeMesh`; `parse` is given so that a browser worker can do without the schema. */
export function openMesh(bytes: Uint8Array, parse: (value: unknown) => Header): Mesh {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8 || view.getUint32(0, true) !== MESH_MAGIC) throw new FormatError('format', 'This is no mesh file.');
  const length = view.getUint32(4, true);
  const found = parse(JSON.parse(new TextDecoder().decode(bytes.slice(8, 8 + length))));
  const start = Math.ceil((8 + length) / 4) * 4;
  const middle = start + found.corners * 12;
  if (bytes.length < middle + found.indices * 4) throw new FormatError('truncated', 'The mesh file is cut off.');
  const positions = placed(bytes, start, middle);
  const indices = placed(bytes, middle, middle + found.indices * 4);
  return {
    positions: new Float32Array(positions.buffer, positions.at, found.corners * 3),
    indices: new Uint32Array(indices.buffer, indices.at, found.indices),
    parts: found.parts,
  };
}

/** Ids of the parts of a mesh file, read from its head alone. */
export function partIdsOf(bytes: Uint8Array): string[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 8 || view.getUint32(0, true) !== MESH_MAGIC) throw new FormatError('format', 'This is no mesh file.');
  const { parts } = JSON.parse(new TextDecoder().decode(bytes.slice(8, 8 + view.getUint32(4, true)))) as { parts: { id: string }[] };
  return parts.map((part) => part.id);
}

/** A range as it lies in shared memory, or a copy of it: Node's Buffer shares its memory, also through `slice`. */
function placed(bytes: Uint8Array, from: number, to: number): { buffer: ArrayBufferLike; at: number } {
  if (typeof SharedArrayBuffer !== 'undefined' && bytes.buffer instanceof SharedArrayBuffer) return { buffer: bytes.buffer, at: bytes.byteOffset + from };
  const own = new Uint8Array(to - from);
  own.set(bytes.subarray(from, to));
  return { buffer: own.buffer, at: 0 };
}
