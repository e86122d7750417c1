import { type CourseContent, type CoursePlan, groupedBy, type Unit } from '@core';
import type { Database } from '../database';
import { dayOf } from '../day';

export interface CourseRecord {
  readonly id: string;
  readonly ownerId: string;
  readonly shared: boolean;
  /** Counts the changes of the content. */
  readonly revision: number;
  readonly updatedAt: Date;
  /** Since when it is put away; null: it is not. */
  readonly archivedAt: Date | null;
  readonly content: CourseContent;
}

interface Row {
  id: string;
  owner_id: string;
  name: string;
  about: string;
  threshold: number;
  shared: number;
  revision: number;
  updated_at: Date;
  archived_at: Date | null;
}

interface UnitRow {
  course_id: string;
  id: string;
  position: number;
  name: string;
  about: string;
  opens_after: string | null;
}

/** Units of courses in their order, by course. */
async function unitsOf(db: Database, courseIds: readonly string[]): Promise<Map<string, Unit[]>> {
  const ids = [...new Set(courseIds)];
  const [units, exercises]: [UnitRow[], { course_id: string; unit_id: string; exercise_id: string }[]] = await Promise.all([
    db('course_units').whereIn('course_id', ids).orderBy(['course_id', 'position']),
    db('course_exercises').whereIn('course_id', ids).orderBy(['course_id', 'position']).select('course_id', 'unit_id', 'exercise_id'),
  ]);
  const inUnit = groupedBy(exercises, (row) => `${row.course_id} ${row.unit_id}`);
  const found = groupedBy(units, (row) => row.course_id);
  return new Map(
    [...found].map(([courseId, rows]) => [
      courseId,
      rows.map((row) => ({
        id: row.id,
        name: row.name,
        about: row.about,
        opensAfter: row.opens_after,
        exerciseIds: (inUnit.get(`${courseId} ${row.id}`) ?? []).map(({ exercise_id }) => exercise_id),
      })),
    ]),
  );
}

const toRecord = (row: Row, units: readonly Unit[]): CourseRecord => ({
  id: row.id,
  ownerId: row.owner_id,
  shared: Boolean(row.shared),
  revision: row.revision,
  updatedAt: row.updated_at,
  archivedAt: row.archived_at,
  content: { name: row.name, about: row.about, threshold: row.threshold, units: [...units] },
});

async function withUnits(db: Database, rows: readonly Row[]): Promise<CourseRecord[]> {
  const units = await unitsOf(
    db,
    rows.map(({ id }) => id),
  );
  return rows.map((row) => toRecord(row, units.get(row.id) ?? []));
}

export async function findCourse(db: Database, id: string): Promise<CourseRecord | null> {
  return (await withUnits(db, await db<Row>('courses').where({ id })))[0] ?? null;
}

/** Courses of one owner, and those shared; null: all. By name. */
export async function listCourses(db: Database, ownerId: string | null): Promise<CourseRecord[]> {
  const query = db<Row>('courses').orderBy(['name', 'id']);
  if (ownerId !== null) query.where((q) => q.where('owner_id', ownerId).orWhere('shared', true));
  return withUnits(db, await query);
}

/** The revision of a course, which is held until the transaction ends. */
export async function lockCourse(db: Database, id: string): Promise<number | null> {
  const row = await db('courses').where({ id }).forUpdate().first('revision');
  return row ? Number(row.revision) : null;
}

async function keepUnits(db: Database, courseId: string, units: readonly Unit[]): Promise<void> {
  await db('course_exercises').where({ course_id: courseId }).delete();
  await db('course_units')
    .where({ course_id: courseId })
    .whereNotIn(
      'id',
      units.map(({ id }) => id),
    )
    .delete();
  if (units.length === 0) return;
  await db('course_units')
    .insert(units.map(({ id, name, about, opensAfter }, position) => ({ course_id: courseId, id, position, name, about, opens_after: opensAfter })))
    .onConflict(['course_id', 'id'])
    .merge(['position', 'name', 'about', 'opens_after']);
  const exercises = units.flatMap(({ id, exerciseIds }) => exerciseIds.map((exerciseId) => ({ course_id: courseId, unit_id: id, exercise_id: exerciseId })));
  if (exercises.length > 0) await db('course_exercises').insert(exercises.map((row, position) => ({ ...row, position })));
}

export async function addCourse(db: Database, { id, ownerId, content }: Pick<CourseRecord, 'id' | 'ownerId' | 'content'>, now: Date): Promise<void> {
  const { units, ...words } = content;
  await db('courses').insert({ id, owner_id: ownerId, ...words, updated_at: now });
  await keepUnits(db, id, units);
}

/** Keeps what a course is made of as its next revision. */
export async function keepCourse(db: Database, id: string, content: CourseContent, revision: number, now: Date): Promise<void> {
  const { units, ...words } = content;
  await db('courses')
    .where({ id })
    .update({ ...words, revision, updated_at: now });
  await keepUnits(db, id, units);
}

export async function changeCourse(db: Database, id: string, change: { readonly shared?: boolean; readonly archivedAt?: Date | null }): Promise<void> {
  await db('courses')
    .where({ id })
    .update({
      ...(change.shared === undefined ? {} : { shared: change.shared }),
      ...(change.archivedAt === undefined ? {} : { archived_at: change.archivedAt }),
    });
}

/** A course as a group goes through it. */
export interface GivenCourse {
  readonly groupId: string;
  readonly courseId: string;
  readonly content: CourseContent;
  readonly plan: CoursePlan;
}

interface GivenRow {
  group_id: string;
  course_id: string;
  starts_on: Date;
  pace: number | null;
}

/** Courses that groups have, those that began first before the others. */
export async function coursesOfGroups(db: Database, groupIds: readonly string[]): Promise<GivenCourse[]> {
  if (groupIds.length === 0) return [];
  const rows: GivenRow[] = await db('group_courses')
    .whereIn('group_id', [...groupIds])
    .orderBy(['starts_on', 'given_at', 'course_id'])
    .select('group_id', 'course_id', 'starts_on', 'pace');
  if (rows.length === 0) return [];
  const [courses, dues]: [CourseRecord[], { group_id: string; course_id: string; unit_id: string; due_on: Date }[]] = await Promise.all([
    db<Row>('courses')
      .whereIn('id', [...new Set(rows.map((row) => row.course_id))])
      .then((found) => withUnits(db, found)),
    db('group_unit_dues').whereIn('group_id', [...groupIds]),
  ]);
  const byId = new Map(courses.map((course) => [course.id, course]));
  return rows.flatMap((row) => {
    const course = byId.get(row.course_id);
    if (!course) return [];
    const set = dues.filter((due) => due.group_id === row.group_id && due.course_id === row.course_id);
    const plan = { startsOn: dayOf(row.starts_on), pace: row.pace, dues: Object.fromEntries(set.map((due) => [due.unit_id, dayOf(due.due_on)])) };
    return [{ groupId: row.group_id, courseId: row.course_id, content: course.content, plan }];
  });
}

/** Courses of the groups in which one learns; one that two of them have appears once, as it began first. */
export async function coursesOfPerson(db: Database, personId: string): Promise<GivenCourse[]> {
  const groups: { group_id: string }[] = await db('memberships').where({ person_id: personId, role: 'trainee' }).select('group_id');
  const given = await coursesOfGroups(
    db,
    groups.map((row) => row.group_id),
  );
  return given.filter((course, i) => given.findIndex(({ courseId }) => courseId === course.courseId) === i);
}

/** Groups that have a course. */
export async function groupsWithCourse(db: Database, courseId: string): Promise<{ readonly id: string; readonly name: string }[]> {
  return db('group_courses as c').join('groups as g', 'g.id', 'c.group_id').where('c.course_id', courseId).orderBy('g.name').select('g.id', 'g.name');
}

/** Groups with a course that holds an exercise. */
export async function groupsWaitingFor(db: Database, exerciseId: string): Promise<string[]> {
  const rows: { group_id: string }[] = await db('course_exercises as e')
    .join('group_courses as c', 'c.course_id', 'e.course_id')
    .where('e.exercise_id', exerciseId)
    .distinct('c.group_id');
  return rows.map((row) => row.group_id);
}

/** Names of the courses that hold an exercise. */
export async function coursesWith(db: Database, exerciseId: string): Promise<string[]> {
  const rows: { name: string }[] = await db('course_exercises as e')
    .join('courses as c', 'c.id', 'e.course_id')
    .where('e.exercise_id', exerciseId)
    .orderBy('c.name')
    .select('c.name');
  return rows.map(({ name }) => name);
}

/** How many groups have each course. */
export async function groupCounts(db: Database): Promise<ReadonlyMap<string, number>> {
  const rows = await db('group_courses').groupBy('course_id').select('course_id').count({ n: '*' });
  return new Map(rows.map((row: { course_id?: string; n?: number | string }) => [String(row.course_id), Number(row.n)] as const));
}

/** Gives a course to a group, or changes how the group goes through it. */
export async function give(
  db: Database,
  groupId: string,
  courseId: string,
  plan: CoursePlan,
  by: { readonly personId: string; readonly at: Date },
): Promise<void> {
  const how = { starts_on: plan.startsOn, pace: plan.pace };
  await db('group_courses')
    .insert({ group_id: groupId, course_id: courseId, ...how, given_by: by.personId, given_at: by.at })
    .onConflict(['group_id', 'course_id'])
    .merge(['starts_on', 'pace']);
  await db('group_unit_dues').where({ group_id: groupId, course_id: courseId }).delete();
  const dues = Object.entries(plan.dues).map(([unitId, dueOn]) => ({ group_id: groupId, course_id: courseId, unit_id: unitId, due_on: dueOn }));
  if (dues.length > 0) await db('group_unit_dues').insert(dues);
}

export async function takeFrom(db: Database, groupId: string, courseId: string): Promise<void> {
  await db('group_courses').where({ group_id: groupId, course_id: courseId }).delete();
}

/** The level from which a skill counts as mastered for each person: the highest of their courses; who has none is not told. */
export async function thresholdsOf(db: Database, personIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (personIds.length === 0) return new Map();
  const rows: { person_id: string; threshold: number | string }[] = await db('memberships as m')
    .join('group_courses as g', 'g.group_id', 'm.group_id')
    .join('courses as c', 'c.id', 'g.course_id')
    .whereIn('m.person_id', [...personIds])
    .where('m.role', 'trainee')
    .groupBy('m.person_id')
    .select('m.person_id')
    .max({ threshold: 'c.threshold' });
  return new Map(rows.map((row) => [row.person_id, Number(row.threshold)]));
}
