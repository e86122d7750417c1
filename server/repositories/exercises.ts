import { type Exercise, exerciseToKeep, readDraft, readExercise } from '@core';
import { z } from 'zod';
import type { Database } from '../database';
import { parseColumn } from '../json';
import { unchanging } from '../unchanging';

export interface ExerciseRecord {
  readonly id: string;
  readonly ownerId: string;
  readonly shared: boolean;
  /** As the author left it; null when it cannot be read. */
  readonly draft: Exercise | null;
  readonly updatedAt: Date;
}

export interface ExerciseVersion {
  readonly exerciseId: string;
  readonly version: number;
  readonly content: Exercise;
  /** Hash of the picture of each step's target; null where a step has none. */
  readonly pictures: readonly (string | null)[];
  readonly publishedAt: Date;
}

interface Row {
  id: string;
  owner_id: string;
  shared: number;
  draft: string;
  updated_at: Date;
}

interface VersionRow {
  exercise_id: string;
  version: number;
  title: string;
  content: string;
  pictures: unknown;
  published_at: Date;
}

const toRecord = (row: Row): ExerciseRecord => ({
  id: row.id,
  ownerId: row.owner_id,
  shared: Boolean(row.shared),
  draft: readDraft(parseColumn(row.draft)),
  updatedAt: row.updated_at,
});
const toVersion = (row: VersionRow): ExerciseVersion => ({
  exerciseId: row.exercise_id,
  version: row.version,
  content: readExercise(parseColumn(row.content)),
  pictures: z.array(z.string().nullable()).parse(parseColumn(row.pictures)),
  publishedAt: row.published_at,
});

export async function addExercise(db: Database, record: Omit<ExerciseRecord, 'updatedAt' | 'draft'> & { readonly draft: Exercise }, now: Date): Promise<void> {
  await db('exercises').insert({
    id: record.id,
    owner_id: record.ownerId,
    shared: record.shared,
    draft: JSON.stringify(exerciseToKeep(record.draft)),
    updated_at: now,
  });
}

export async function saveDraft(db: Database, id: string, draft: Exercise, now: Date): Promise<void> {
  await db('exercises')
    .where({ id })
    .update({ draft: JSON.stringify(exerciseToKeep(draft)), updated_at: now });
}

export async function findExercise(db: Database, id: string): Promise<ExerciseRecord | null> {
  const row = await db<Row>('exercises').where({ id }).first();
  return row ? toRecord(row) : null;
}

/** Exercises of one owner, and those shared; null: all. Newest first. */
export async function listExercises(db: Database, ownerId: string | null): Promise<ExerciseRecord[]> {
  const query = db<Row>('exercises').orderBy('updated_at', 'desc');
  if (ownerId !== null) query.where((q) => q.where('owner_id', ownerId).orWhere('shared', true));
  return (await query).map(toRecord);
}

export async function latestVersion(db: Database, exerciseId: string): Promise<number> {
  const row = await db('exercise_versions').where({ exercise_id: exerciseId }).max({ n: 'version' }).first();
  return Number(row?.n ?? 0);
}

export async function addVersion(db: Database, version: ExerciseVersion): Promise<void> {
  await db('exercise_versions').insert({
    exercise_id: version.exerciseId,
    version: version.version,
    title: version.content.title,
    content: JSON.stringify(exerciseToKeep(version.content)),
    model_id: version.content.model.id,
    model_revision: version.content.model.revision,
    pictures: JSON.stringify(version.pictures),
    published_at: version.publishedAt,
  });
}

const versions = unchanging<ExerciseVersion>(500);

export async function findVersion(db: Database, exerciseId: string, version: number): Promise<ExerciseVersion | null> {
  return versions(db, `${exerciseId}/${version}`, async () => {
    const row = await db<VersionRow>('exercise_versions').where({ exercise_id: exerciseId, version }).first();
    return row ? toVersion(row) : null;
  });
}

export interface Assignment {
  readonly id: string;
  readonly groupId: string;
  readonly exerciseId: string;
  readonly version: number;
  readonly position: number;
  readonly dueOn: string | null;
  readonly title: string;
}

interface AssignmentRow {
  id: string;
  group_id: string;
  exercise_id: string;
  version: number;
  position: number;
  due_on: Date | null;
  title: string;
}

const toAssignment = (row: AssignmentRow): Assignment => ({
  id: row.id,
  groupId: row.group_id,
  exerciseId: row.exercise_id,
  version: row.version,
  position: row.position,
  dueOn: row.due_on ? new Date(row.due_on).toISOString().slice(0, 10) : null,
  title: row.title,
});

const assignmentsQuery = (db: Database) =>
  db('assignments as a')
    .join('exercise_versions as v', function () {
      this.on('v.exercise_id', 'a.exercise_id').andOn('v.version', 'a.version');
    })
    .select('a.*', 'v.title')
    .orderBy('a.position')
    .orderBy('v.title');

export async function assignmentsOfGroup(db: Database, groupId: string): Promise<Assignment[]> {
  const rows: AssignmentRow[] = await assignmentsQuery(db).where('a.group_id', groupId);
  return rows.map(toAssignment);
}

/** What a trainee has to do, over all their groups; an exercise assigned twice appears once, in its newest version. */
export async function assignmentsOfPerson(db: Database, personId: string): Promise<Assignment[]> {
  const rows: AssignmentRow[] = await assignmentsQuery(db)
    .join('memberships as m', 'm.group_id', 'a.group_id')
    .where({ 'm.person_id': personId, 'm.role': 'trainee' });
  const found = new Map<string, Assignment>();
  for (const row of rows.map(toAssignment)) {
    const known = found.get(row.exerciseId);
    if (!known || known.version < row.version) found.set(row.exerciseId, row);
  }
  return [...found.values()];
}

/** Assigns a version to a group; assigning the exercise again brings the newer version and date. */
export async function assign(db: Database, assignment: Omit<Assignment, 'title'>): Promise<void> {
  await db('assignments')
    .insert({
      id: assignment.id,
      group_id: assignment.groupId,
      exercise_id: assignment.exerciseId,
      version: assignment.version,
      position: assignment.position,
      due_on: assignment.dueOn,
    })
    .onConflict(['group_id', 'exercise_id'])
    .merge(['version', 'due_on']);
}

export async function unassign(db: Database, groupId: string, exerciseId: string): Promise<void> {
  await db('assignments').where({ group_id: groupId, exercise_id: exerciseId }).delete();
}
