import { checkJsonSize } from '../countJson';
import { FormatError, LIMITS } from '../formatError';
import type { NamedBytes } from '../readModel';

const MAGIC = 0x46546c67;
const JSON_CHUNK = 0x4e4f534a;
const BINARY_CHUNK = 0x004e4942;

export interface Container {
  readonly json: unknown;
  readonly binary: Uint8Array | null;
}

const isBinary = (bytes: Uint8Array): boolean => bytes.length >= 4 && new DataView(bytes.buffer, bytes.byteOffset, 4).getUint32(0, true) === MAGIC;

function parseJson(bytes: Uint8Array, name: string): unknown {
  checkJsonSize(bytes, LIMITS.json, name);
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    throw new FormatError('format', `"${name}" is no glTF file: it is not text.`);
  }
  try {
    return JSON.parse(text);
  } catch {
    throw new FormatError('format', `"${name}" is no glTF file: its JSON cannot be read.`);
  }
}

/** The JSON and the binary chunk of a .glb, or the JSON of a .gltf. */
export function openContainer(file: NamedBytes): Container {
  const { bytes, name } = file;
  if (!isBinary(bytes)) {
    if (/\.glb$/i.test(name)) throw new FormatError('format', `"${name}" is called .glb but is none.`);
    return { json: parseJson(bytes, name), binary: null };
  }
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 20) throw new FormatError('truncated', `"${name}" ends in its header.`);
  if (view.getUint32(4, true) !== 2) throw new FormatError('format', `"${name}" is glTF ${view.getUint32(4, true)}; version 2 is needed.`);
  const length = view.getUint32(8, true);
  if (length > bytes.length) throw new FormatError('truncated', `"${name}" is cut off: ${bytes.length} of ${length} bytes are there.`);
  let at = 12;
  let json: unknown;
  let binary: Uint8Array | null = null;
  while (at + 8 <= length) {
    const size = view.getUint32(at, true);
    const kind = view.getUint32(at + 4, true);
    if (at + 8 + size > length) throw new FormatError('truncated', `"${name}" is cut off in a chunk.`);
    const chunk = bytes.subarray(at + 8, at + 8 + size);
    if (kind === JSON_CHUNK && json === undefined) json = parseJson(chunk, name);
    if (kind === BINARY_CHUNK && !binary) binary = chunk;
    at += 8 + size + ((4 - (size % 4)) % 4);
  }
  if (json === undefined) throw new FormatError('format', `"${name}" holds no JSON chunk.`);
  return { json, binary };
}
