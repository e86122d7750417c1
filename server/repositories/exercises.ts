import { type Exercise, exerciseToKeep, readDraft, readExercise } from '@core';
import { z } from 'zod';
import { type Database, versionOf } from '../database';
import { dayOf } from '../day';
import { parseColumn } from '../json';
import { unchanging } from '../unchanging';

export interface ExerciseRecord {
  readonly id: string;
  readonly ownerId: string;
  readonly shared: boolean;
  /** As the author left it; null when it cannot be read. */
  readonly draft: Exercise | null;
  /** Counts the changes of the draft. */
  readonly draftRevision: number;
  readonly updatedAt: Date;
  /** Since when it is put away; null: it is not. */
  readonly archivedAt: Date | null;
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
  draft_revision: number;
  updated_at: Date;
  archived_at: Date | null;
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
  draftRevision: row.draft_revision,
  archivedAt: row.archived_at,
  updatedAt: row.updated_at,
});
const toVersion = (row: VersionRow): ExerciseVersion => ({
  exerciseId: row.exercise_id,
  version: row.version,
  content: readExercise(parseColumn(row.content)),
  pictures: z.array(z.string().nullable()).parse(parseColumn(row.pictures)),
  publishedAt: row.published_at,
});

export async function addExercise(
  db: Database,
  record: Pick<ExerciseRecord, 'id' | 'ownerId' | 'shared'> & { readonly draft: Exercise },
  now: Date,
): Promise<void> {
  await db('exercises').insert({
    id: record.id,
    owner_id: record.ownerId,
    shared: record.shared,
    draft: JSON.stringify(exerciseToKeep(record.draft)),
    updated_at: now,
  });
}

/** Drafts that are kept of each exercise, so that changes made on one of them can be brought together with later ones. */
const DRAFTS_KEPT = 40;

/** Keeps a draft as its exercise's next revision. `window`: who wrote it, as the page names itself. */
export async function saveDraft(
  db: Database,
  id: string,
  made: { readonly draft: Exercise; readonly revision: number; readonly window: string },
  now: Date,
): Promise<void> {
  const draft = JSON.stringify(exerciseToKeep(made.draft));
  // The draft that it replaces is kept too: the first one, and those from before drafts were kept.
  const before = await db<Row>('exercises').where({ id }).first('draft', 'draft_revision', 'updated_at');
  if (before)
    await db('exercise_drafts')
      .insert({ exercise_id: id, revision: before.draft_revision, draft: before.draft, window: '', saved_at: before.updated_at })
      .onConflict(['exercise_id', 'revision'])
      .ignore();
  await db('exercises').where({ id }).update({ draft, draft_revision: made.revision, updated_at: now });
  await db('exercise_drafts').insert({ exercise_id: id, revision: made.revision, draft, window: made.window, saved_at: now });
  await db('exercise_drafts')
    .where({ exercise_id: id })
    .where('revision', '<=', made.revision - DRAFTS_KEPT)
    .delete();
}

/** An earlier draft; null when it is not kept any more. */
export async function draftAt(db: Database, id: string, revision: number): Promise<Exercise | null> {
  const row = await db('exercise_drafts').where({ exercise_id: id, revision }).first('draft');
  return row ? readDraft(parseColumn(row.draft)) : null;
}

/** Which windows wrote the drafts after a revision, oldest first. */
export async function windowsSince(db: Database, id: string, revision: number): Promise<string[]> {
  const rows = await db('exercise_drafts').where({ exercise_id: id }).where('revision', '>', revision).orderBy('revision').select('window');
  return rows.map((row) => row.window);
}

export async function setArchived(db: Database, id: string, at: Date | null): Promise<void> {
  await db('exercises').where({ id }).update({ archived_at: at });
}

/** An exercise that is held until the transaction ends. */
export async function lockExercise(db: Database, id: string): Promise<ExerciseRecord | null> {
  const row = await db<Row>('exercises').where({ id }).forUpdate().first();
  return row ? toRecord(row) : null;
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

/** The newest version of every exercise that has one. */
export async function latestVersions(db: Database): Promise<ReadonlyMap<string, number>> {
  const rows = await db('exercise_versions').groupBy('exercise_id').select('exercise_id').max({ n: 'version' });
  return new Map(rows.map((row: { exercise_id?: string; n?: number }) => [String(row.exercise_id), Number(row.n)] as const));
}

export const hasPublished = async (db: Database, ownerId: string): Promise<boolean> =>
  (await db('exercise_versions as v').join('exercises as e', 'e.id', 'v.exercise_id').where({ 'e.owner_id': ownerId }).first('v.version')) !== undefined;

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

/** An exercise that somebody has to do. */
export interface Assigned {
  readonly exerciseId: string;
  readonly version: number;
  readonly dueOn: string | null;
  /** Given by itself; false: only within a course. */
  readonly alone: boolean;
  readonly title: string;
}

/** One that a group has. */
export interface Assignment extends Assigned {
  readonly id: string;
  readonly groupId: string;
  readonly position: number;
}

interface AssignmentRow {
  id: string;
  group_id: string;
  exercise_id: string;
  version: number;
  position: number;
  due_on: Date | null;
  alone: number;
  title: string;
}

const toAssignment = (row: AssignmentRow): Assignment => ({
  id: row.id,
  groupId: row.group_id,
  exerciseId: row.exercise_id,
  version: row.version,
  position: row.position,
  dueOn: row.due_on ? dayOf(row.due_on) : null,
  alone: Boolean(row.alone),
  title: row.title,
});

const assignmentsQuery = (db: Database) =>
  db('assignments as a').join('exercise_versions as v', versionOf('a')).select('a.*', 'v.title').orderBy('a.position').orderBy('v.title');

export async function assignmentsOfGroup(db: Database, groupId: string): Promise<Assignment[]> {
  const rows: AssignmentRow[] = await assignmentsQuery(db).where('a.group_id', groupId);
  return rows.map(toAssignment);
}

/**
 * What a trainee has to do, over all their groups and given to them by name; an exercise assigned twice appears once, in its
 * newest version, and by itself where it is given so once. The day that is set for the person goes before those of groups.
 */
export async function assignmentsOfPerson(db: Database, personId: string): Promise<Assigned[]> {
  const [rows, given]: [AssignmentRow[], Assigned[]] = await Promise.all([
    assignmentsQuery(db).join('memberships as m', 'm.group_id', 'a.group_id').where({ 'm.person_id': personId, 'm.role': 'trainee' }),
    givenToPerson(db, personId),
  ]);
  const found = new Map<string, Assigned>();
  for (const row of rows.map(toAssignment)) {
    const known = found.get(row.exerciseId);
    const newer = !known || known.version < row.version ? row : known;
    found.set(row.exerciseId, { ...newer, alone: row.alone || (known?.alone ?? false) });
  }
  for (const own of given) {
    const known = found.get(own.exerciseId);
    const newer = !known || known.version < own.version ? own : known;
    found.set(own.exerciseId, { ...newer, alone: true, dueOn: own.dueOn ?? known?.dueOn ?? null });
  }
  return [...found.values()];
}

/** What is given to a person by name, in the order in which it was. */
export async function givenToPerson(db: Database, personId: string): Promise<Assigned[]> {
  const rows: { exercise_id: string; version: number; due_on: Date | null; title: string }[] = await db('exercises_given as g')
    .join('exercise_versions as v', versionOf('g'))
    .where({ 'g.person_id': personId })
    .orderBy(['g.given_at', 'v.title'])
    .select('g.exercise_id', 'g.version', 'g.due_on', 'v.title');
  return rows.map((row) => ({
    exerciseId: row.exercise_id,
    version: row.version,
    dueOn: row.due_on ? dayOf(row.due_on) : null,
    alone: true,
    title: row.title,
  }));
}

/** Gives a version to people; who has the exercise gets the newer version and date. */
export async function giveTo(
  db: Database,
  personIds: readonly string[],
  { exerciseId, version, dueOn }: Pick<Assigned, 'exerciseId' | 'version' | 'dueOn'>,
  at: Date,
): Promise<void> {
  await db('exercises_given')
    .insert(personIds.map((id) => ({ person_id: id, exercise_id: exerciseId, version, due_on: dueOn, given_at: at })))
    .onConflict(['person_id', 'exercise_id'])
    .merge(['version', 'due_on']);
}

/** Whether it had been given. */
export async function takeFrom(db: Database, personId: string, exerciseId: string): Promise<boolean> {
  return (await db('exercises_given').where({ person_id: personId, exercise_id: exerciseId }).delete()) > 0;
}

const toAssignmentRow = (assignment: Omit<Assignment, 'title'>) => ({
  id: assignment.id,
  group_id: assignment.groupId,
  exercise_id: assignment.exerciseId,
  version: assignment.version,
  position: assignment.position,
  due_on: assignment.dueOn,
  alone: assignment.alone,
});

/** Assigns a version to a group; assigning the exercise again brings the newer version and date, and says anew whether it is given by itself. */
export async function assign(db: Database, assignment: Omit<Assignment, 'title'>): Promise<void> {
  await db('assignments').insert(toAssignmentRow(assignment)).onConflict(['group_id', 'exercise_id']).merge(['version', 'due_on', 'alone']);
}

/** Assigns what a group does not have yet; what it has stays as it is. */
export async function addAssignments(db: Database, assignments: readonly Omit<Assignment, 'title'>[]): Promise<void> {
  if (assignments.length === 0) return;
  await db('assignments').insert(assignments.map(toAssignmentRow)).onConflict(['group_id', 'exercise_id']).ignore();
}

/** Groups to which an exercise is given. */
export async function groupsGiven(db: Database, exerciseId: string): Promise<{ readonly id: string; readonly name: string }[]> {
  const rows = await db('assignments as a')
    .join('groups as g', 'g.id', 'a.group_id')
    .where('a.exercise_id', exerciseId)
    .orderBy('g.name')
    .select('g.id', 'g.name');
  return rows.map((row) => ({ id: row.id, name: row.name }));
}

export async function unassign(db: Database, groupId: string, exerciseId: string): Promise<void> {
  await db('assignments').where({ group_id: groupId, exercise_id: exerciseId }).delete();
}

/** A published version as the key of a map. */
export const versionKey = (exerciseId: string, version: number): string => `${exerciseId} ${version}`;

/** Titles of all versions of these exercises, by `versionKey`. */
export async function versionTitles(db: Database, exerciseIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  if (exerciseIds.length === 0) return new Map();
  const rows: { exercise_id: string; version: number; title: string }[] = await db('exercise_versions')
    .whereIn('exercise_id', [...new Set(exerciseIds)])
    .select('exercise_id', 'version', 'title');
  return new Map(rows.map((row) => [versionKey(row.exercise_id, row.version), row.title]));
}
