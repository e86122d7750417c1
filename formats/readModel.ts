import type { Mesh } from '@core';
import { FormatError, LIMITS } from './formatError';
import { readGltf } from './gltf/readGltf';

export interface NamedBytes {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/**
 * A model file as a mesh in world metres, +Z up, and what was left out on the way. The kind is told by content first,
 * then by extension. Companions: files that the first one names. Rejects with FormatError for everything unusable.
 */
export async function readModel(file: NamedBytes, companions: readonly NamedBytes[] = []): Promise<{ mesh: Mesh; warnings: string[] }> {
  const total = file.bytes.length + companions.reduce((sum, c) => sum + c.bytes.length, 0);
  if (total > LIMITS.bytes) throw new FormatError('limit', `The file has ${Math.ceil(total / 1048576)} MB; ${LIMITS.bytes / 1048576} MB is the most.`);
  if (file.bytes.length === 0) throw new FormatError('truncated', `"${file.name}" is empty.`);
  try {
    return await readGltf(file, companions);
  } catch (error) {
    if (error instanceof FormatError) throw error;
    throw new FormatError('broken', `"${file.name}" is damaged: ${error instanceof Error ? error.message : String(error)}`);
  }
}
