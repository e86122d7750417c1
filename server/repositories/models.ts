import { type Naming, NO_NAMING, namingSchema, type View, viewSchema } from '@core';
import { type Placement, placementSchema } from '@formats';
import { z } from 'zod';
import { type Database, versionOf } from '../database';
import { parseColumn } from '../json';
import { unchanging } from '../unchanging';

export const summarySchema = z.object({
  triangles: z.number(),
  parts: z.number(),
  size: z.tuple([z.number(), z.number(), z.number()]),
  file: z.string(),
  warnings: z.array(z.string()),
});
export type ModelSummary = z.infer<typeof summarySchema>;

export interface Model {
  readonly id: string;
  readonly ownerId: string;
  readonly name: string;
  readonly shared: boolean;
  /** Since when it is put away; null: it is not. */
  readonly archivedAt: Date | null;
}

export interface ModelRevision {
  readonly modelId: string;
  readonly revision: number;
  readonly meshHash: string;
  readonly home: View;
  readonly summary: ModelSummary;
  readonly placement: Placement;
  /** What people call its parts, beside what the file says. */
  readonly naming: Naming;
}

const settingsSchema = z.object({ placement: placementSchema, offset: z.tuple([z.number(), z.number(), z.number()]), naming: namingSchema.default(NO_NAMING) });

interface Row {
  id: string;
  owner_id: string;
  name: string;
  shared: number;
  archived_at: Date | null;
}

interface RevisionRow {
  model_id: string;
  revision: number;
  mesh_hash: string;
  home: unknown;
  summary: unknown;
  settings: unknown;
}

const toModel = (row: Row): Model => ({ id: row.id, ownerId: row.owner_id, name: row.name, shared: Boolean(row.shared), archivedAt: row.archived_at });
const settingsOf = (row: RevisionRow): Pick<ModelRevision, 'placement' | 'naming'> => {
  const { placement, naming } = settingsSchema.parse(parseColumn(row.settings));
  return { placement, naming };
};
const toRevision = (row: RevisionRow): ModelRevision => ({
  modelId: row.model_id,
  revision: row.revision,
  meshHash: row.mesh_hash,
  home: viewSchema.parse(parseColumn(row.home)),
  summary: summarySchema.parse(parseColumn(row.summary)),
  ...settingsOf(row),
});

export async function addModel(db: Database, model: Omit<Model, 'archivedAt'>, now: Date): Promise<void> {
  await db('models').insert({ id: model.id, owner_id: model.ownerId, name: model.name, shared: model.shared, created_at: now });
}

export async function addRevision(db: Database, revision: ModelRevision, offset: readonly number[], now: Date): Promise<void> {
  await db('model_revisions').insert({
    model_id: revision.modelId,
    revision: revision.revision,
    mesh_hash: revision.meshHash,
    home: JSON.stringify(revision.home),
    summary: JSON.stringify(revision.summary),
    settings: JSON.stringify({ placement: revision.placement, offset, naming: revision.naming }),
    created_at: now,
  });
}

export async function findModel(db: Database, id: string): Promise<Model | null> {
  const row = await db<Row>('models').where({ id }).first();
  return row ? toModel(row) : null;
}

/** Waits until no other transaction works on the model: what is counted then is still so when it is written. */
export async function lockModel(db: Database, id: string): Promise<void> {
  await db('models').where({ id }).forUpdate().first('id');
}

/** Changes the name, whether other instructors may use it, and whether it is put away. */
export async function updateModel(db: Database, model: Omit<Model, 'ownerId'>): Promise<void> {
  await db('models').where({ id: model.id }).update({ name: model.name, shared: model.shared, archived_at: model.archivedAt });
}

const revisions = unchanging<ModelRevision>(500);

export async function findRevision(db: Database, modelId: string, revision: number): Promise<ModelRevision | null> {
  return revisions(db, `${modelId}/${revision}`, async () => {
    const row = await db<RevisionRow>('model_revisions').where({ model_id: modelId, revision }).first();
    return row ? toRevision(row) : null;
  });
}

export async function latestRevision(db: Database, modelId: string): Promise<ModelRevision | null> {
  const row = await db<RevisionRow>('model_revisions').where({ model_id: modelId }).orderBy('revision', 'desc').first();
  return row ? toRevision(row) : null;
}

/** Models that one person owns, and those shared; null: all. */
export async function listModels(db: Database, ownerId: string | null): Promise<Model[]> {
  const query = db<Row>('models').orderBy('name');
  if (ownerId !== null) query.where((q) => q.where('owner_id', ownerId).orWhere('shared', true));
  return (await query).map(toModel);
}

/** Revisions whose bytes these are. */
export async function revisionsWithMesh(db: Database, meshHash: string): Promise<{ modelId: string; revision: number }[]> {
  const rows = await db<RevisionRow>('model_revisions').where({ mesh_hash: meshHash }).select('model_id', 'revision');
  return rows.map((row) => ({ modelId: row.model_id, revision: row.revision }));
}

/** Revisions of a model that a trainee works on: those of exercises assigned to them, and those of their own attempts. */
export async function revisionsFor(db: Database, personId: string, modelId: string): Promise<number[]> {
  const assigned: { revision: number }[] = await db('assignments')
    .join('memberships', 'memberships.group_id', 'assignments.group_id')
    .join('exercise_versions as v', versionOf('assignments'))
    .where({ 'memberships.person_id': personId, 'memberships.role': 'trainee' })
    .where({ 'v.model_id': modelId })
    .distinct('v.model_revision as revision');
  const given: { revision: number }[] = await db('exercises_given as g')
    .join('exercise_versions as v', versionOf('g'))
    .where({ 'g.person_id': personId, 'v.model_id': modelId })
    .distinct('v.model_revision as revision');
  const done: { revision: number }[] = await db('attempts').where({ person_id: personId, model_id: modelId }).distinct('model_revision as revision');
  return [...new Set([...assigned, ...given, ...done].map((row) => row.revision))];
}
