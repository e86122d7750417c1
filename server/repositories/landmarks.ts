import { type Landmark, landmarkSchema } from '@core';
import type { Database } from '../database';
import { parseColumn } from '../json';

/** A landmark as it is kept: of one model's geometry. */
export interface KeptLandmark extends Landmark {
  readonly id: string;
  readonly modelId: string;
  readonly meshHash: string;
  /** Whether it was removed, and can still be put back. */
  readonly removed: boolean;
}

const placeSchema = landmarkSchema.omit({ name: true });

interface Row {
  id: string;
  model_id: string;
  mesh_hash: string;
  name: string;
  place: unknown;
  removed_at: Date | null;
}

const toLandmark = (row: Row): KeptLandmark => ({
  ...placeSchema.parse(parseColumn(row.place)),
  id: row.id,
  modelId: row.model_id,
  meshHash: row.mesh_hash,
  name: row.name,
  removed: row.removed_at !== null,
});

export async function listLandmarks(db: Database, modelId: string, meshHash: string): Promise<KeptLandmark[]> {
  return (
    await db<Row>('landmarks')
      .where({ model_id: modelId, mesh_hash: meshHash, removed_at: null })
      .orderBy([{ column: 'created_at' }, { column: 'name' }])
  ).map(toLandmark);
}

export async function findLandmark(db: Database, id: string): Promise<KeptLandmark | null> {
  const row = await db<Row>('landmarks').where({ id }).first();
  return row ? toLandmark(row) : null;
}

export async function addLandmark(db: Database, landmark: Omit<KeptLandmark, 'removed'>, now: Date): Promise<void> {
  const { id, modelId, meshHash, name, kind, part, point, normal } = landmark;
  await db('landmarks').insert({ id, model_id: modelId, mesh_hash: meshHash, name, place: JSON.stringify({ kind, part, point, normal }), created_at: now });
}

export async function renameLandmark(db: Database, id: string, name: string): Promise<void> {
  await db('landmarks').where({ id }).update({ name });
}
