import { type KeptScene, keptSceneSchema } from '@core';
import type { Database } from '../database';
import { parseColumn } from '../json';

/** A view of a model under a name. */
export interface SavedView {
  readonly id: string;
  readonly modelId: string;
  readonly personId: string;
  /** Shown to all who see the model, not only to the one who made it. */
  readonly forAll: boolean;
  readonly position: number;
  readonly name: string;
  readonly about: string;
  readonly scene: KeptScene;
  /** Whether it was removed, and can still be put back. */
  readonly removed: boolean;
}

interface Row {
  id: string;
  model_id: string;
  person_id: string;
  for_all: number;
  position: number;
  name: string;
  about: string;
  scene: unknown;
  removed_at: Date | null;
}

const toView = (row: Row): SavedView => ({
  id: row.id,
  modelId: row.model_id,
  personId: row.person_id,
  forAll: Boolean(row.for_all),
  position: row.position,
  name: row.name,
  about: row.about,
  scene: keptSceneSchema.parse(parseColumn(row.scene)),
  removed: row.removed_at !== null,
});

/** Views of a model that one person sees: those for all first, then their own, each in its order. */
export async function listSavedViews(db: Database, modelId: string, personId: string): Promise<SavedView[]> {
  const rows = await db<Row>('saved_views')
    .where({ model_id: modelId, removed_at: null })
    .andWhere((q) => q.where('for_all', true).orWhere('person_id', personId))
    .orderBy([{ column: 'for_all', order: 'desc' }, 'position', 'created_at', 'id']);
  return rows.map(toView);
}

export async function findSavedView(db: Database, id: string): Promise<SavedView | null> {
  const row = await db<Row>('saved_views').where({ id }).first();
  return row ? toView(row) : null;
}

export async function addSavedView(db: Database, view: Omit<SavedView, 'removed'>, now: Date): Promise<void> {
  await db('saved_views').insert({
    id: view.id,
    model_id: view.modelId,
    person_id: view.personId,
    for_all: view.forAll,
    position: view.position,
    name: view.name,
    about: view.about,
    scene: JSON.stringify(view.scene),
    created_at: now,
  });
}

export async function updateSavedView(db: Database, id: string, change: { name?: string; about?: string; scene?: KeptScene }): Promise<void> {
  const { scene, ...words } = change;
  const row = { ...words, ...(scene ? { scene: JSON.stringify(scene) } : {}) };
  if (Object.keys(row).length > 0) await db('saved_views').where({ id }).update(row);
}

export async function setPosition(db: Database, id: string, position: number): Promise<void> {
  await db('saved_views').where({ id }).update({ position });
}
