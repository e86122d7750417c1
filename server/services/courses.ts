import { type CourseContent, type CoursePlan, courseSchema, dayWords, dueDaysOf, groupedBy } from '@core';
import { FRESH, transact } from '../database';
import { dayAt } from '../day';
import { forbidden, invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { writeDown } from '../repositories/audit';
import * as courses from '../repositories/courses';
import type { RequestContext } from '../service';
import { exerciseRead, mayReadExercise } from './exercises';
import { fitGroup } from './given';
import { groupsTaught, isStaff, requireLedGroup } from './people';
import { tellTrainees } from './telling';

/** A course that the one who asks may read: own ones and those that are shared, for a lead all. */
export async function courseRead(asked: RequestContext, id: string): Promise<courses.CourseRecord & { readonly mine: boolean }> {
  const record = isStaff(asked.who) ? await courses.findCourse(asked.db, id) : null;
  const mine = record !== null && (asked.who.role === 'lead' || record.ownerId === asked.who.id);
  if (!record || !(mine || record.shared)) throw notFound('This course');
  return { ...record, mine };
}

async function courseOwned(asked: RequestContext, id: string): Promise<courses.CourseRecord> {
  const record = await courseRead(asked, id);
  if (!record.mine) throw forbidden('This course belongs to someone else: copy it to change it.');
  return record;
}

export interface CourseLine {
  readonly id: string;
  readonly name: string;
  readonly units: number;
  readonly exercises: number;
  /** Groups that have it. */
  readonly groups: number;
  readonly mine: boolean;
  readonly shared: boolean;
  readonly archived: boolean;
}

export async function coursesRead(asked: RequestContext): Promise<CourseLine[]> {
  if (!isStaff(asked.who)) throw forbidden('Courses are made by instructors.');
  const [list, groups] = await Promise.all([courses.listCourses(asked.db, asked.who.role === 'lead' ? null : asked.who.id), courses.groupCounts(asked.db)]);
  return list.map(({ id, ownerId, shared, archivedAt, content }) => ({
    id,
    name: content.name,
    units: content.units.length,
    exercises: content.units.reduce((sum, { exerciseIds }) => sum + exerciseIds.length, 0),
    groups: groups.get(id) ?? 0,
    mine: asked.who.role === 'lead' || ownerId === asked.who.id,
    shared,
    archived: archivedAt !== null,
  }));
}

/** Names of the courses that each exercise stands in, of those that the one who asks may see and that are not put away. */
export async function coursesByExercise(asked: RequestContext): Promise<ReadonlyMap<string, readonly string[]>> {
  const list = await courses.listCourses(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  const pairs = list
    .filter(({ archivedAt }) => archivedAt === null)
    .flatMap(({ content }) => content.units.flatMap(({ exerciseIds }) => exerciseIds.map((id) => ({ id, name: content.name }))));
  return new Map([...groupedBy(pairs, ({ id }) => id)].map(([id, those]) => [id, those.map(({ name }) => name)]));
}

/** Courses that the one who asks may give, with their units. */
export async function givable(
  asked: RequestContext,
): Promise<{ readonly id: string; readonly name: string; readonly units: readonly { readonly id: string; readonly name: string }[] }[]> {
  const list = await courses.listCourses(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  return list.flatMap(({ id, archivedAt, content }) =>
    archivedAt ? [] : [{ id, name: content.name, units: content.units.map((unit) => ({ id: unit.id, name: unit.name })) }],
  );
}

export async function makeCourse(asked: RequestContext, input: CourseContent): Promise<string> {
  if (!isStaff(asked.who)) throw forbidden('Courses are made by instructors.');
  const content = courseSchema.parse(input);
  await mayHold(asked, content, null);
  const id = newId();
  await transact(asked.db, (tx) => courses.addCourse(tx, { id, ownerId: asked.who.id, content }, asked.now()));
  return id;
}

/** A copy of a course for the one who asks, of the exercises that they may read. */
export async function copyCourse(asked: RequestContext, id: string): Promise<string> {
  const { content } = await courseRead(asked, id);
  const may = new Set<string>();
  for (const each of content.units.flatMap(({ exerciseIds }) => exerciseIds)) if (await mayReadExercise(asked, each)) may.add(each);
  const units = content.units.map((unit) => ({ ...unit, exerciseIds: unit.exerciseIds.filter((each) => may.has(each)) }));
  return makeCourse(asked, { ...content, name: `${content.name.slice(0, 110)}, copy`, units });
}

/** Refuses exercises that one may not read; those that the course held before stay. */
async function mayHold(asked: RequestContext, { units }: CourseContent, before: CourseContent | null): Promise<void> {
  const held = new Set(before?.units.flatMap(({ exerciseIds }) => exerciseIds));
  for (const [i, { exerciseIds }] of units.entries())
    for (const id of exerciseIds) {
      if (held.has(id)) continue;
      const { archivedAt } = await exerciseRead(asked, id);
      if (archivedAt) throw invalid('This exercise is put away: bring it back first.', `units.${i}.exerciseIds`);
    }
}

/**
 * Keeps a course and brings it to the groups that have it. `base`: the revision that it was changed on; where another one
 * is kept by now nothing is changed, and it is told.
 */
export async function saveCourse(asked: RequestContext, id: string, input: CourseContent, base: number): Promise<{ revision: number }> {
  const record = await courseOwned(asked, id);
  const content = courseSchema.parse(input);
  await mayHold(asked, content, record.content);
  return transact(
    asked.db,
    async (tx) => {
      const revision = await courses.lockCourse(tx, id);
      if (revision === null) throw notFound('This course');
      if (revision !== base)
        throw new ServiceError(409, 'changed', 'This course was changed in another window meanwhile: load the page again. What you wrote is still here.');
      await courses.keepCourse(tx, id, content, revision + 1, asked.now());
      for (const group of await courses.groupsWithCourse(tx, id)) await fitGroup(tx, group.id);
      return { revision: revision + 1 };
    },
    FRESH,
  );
}

/** Shares a course with all instructors, or puts it away; one that a group has stays. */
export async function changeCourse(asked: RequestContext, id: string, change: { shared?: boolean | undefined; archived?: boolean | undefined }): Promise<void> {
  await courseOwned(asked, id);
  if (change.archived) {
    const groups = await courses.groupsWithCourse(asked.db, id);
    if (groups.length > 0) throw invalid(`It is given to ${groups.map(({ name }) => name).join(', ')}: take it back there first.`, 'archived');
  }
  await courses.changeCourse(asked.db, id, {
    ...(change.shared === undefined ? {} : { shared: change.shared }),
    ...(change.archived === undefined ? {} : { archivedAt: change.archived ? asked.now() : null }),
  });
}

/** Gives a course to a group, or changes its days there: who learns in it is told when it is new. */
export async function giveCourse(asked: RequestContext, groupId: string, courseId: string, plan: CoursePlan): Promise<void> {
  const group = await requireLedGroup(asked, groupId);
  const { content, archivedAt } = await courseRead(asked, courseId);
  if (archivedAt) throw invalid('This course is put away: bring it back first.', 'courseId');
  const known = new Set(content.units.map(({ id }) => id));
  for (const [unitId, day] of Object.entries(plan.dues)) {
    if (!known.has(unitId)) throw invalid('The course has no such unit any more: load the page again.', 'dues');
    if (day < plan.startsOn) throw invalid('A unit cannot be due before the course begins.', `dues.${unitId}`);
  }
  await transact(
    asked.db,
    async (tx) => {
      const isNew = !(await courses.groupsWithCourse(tx, courseId)).some(({ id }) => id === groupId);
      await courses.give(tx, groupId, courseId, plan, { personId: asked.who.id, at: asked.now() });
      await fitGroup(tx, groupId);
      await writeDown(tx, { what: 'course-given', byId: asked.who.id, facts: { course: content.name, group: group.name } }, asked.now());
      if (isNew)
        await tellTrainees(
          asked,
          tx,
          groupId,
          `You have a course: “${content.name}”. It ${plan.startsOn > dayAt(asked.now(), asked.zone) ? 'begins' : 'began'} on ${dayWords(plan.startsOn)}.`,
        );
    },
    FRESH,
  );
}

/** Takes a course back from a group: what came by it alone goes, attempts stay. */
export async function takeCourseBack(asked: RequestContext, groupId: string, courseId: string): Promise<void> {
  const group = await requireLedGroup(asked, groupId);
  const found = (await courses.coursesOfGroups(asked.db, [groupId])).find((each) => each.courseId === courseId);
  if (!found) throw notFound('This course');
  await transact(
    asked.db,
    async (tx) => {
      await courses.takeFrom(tx, groupId, courseId);
      await fitGroup(tx, groupId);
      await writeDown(tx, { what: 'course-taken', byId: asked.who.id, facts: { course: found.content.name, group: group.name } }, asked.now());
      await tellTrainees(asked, tx, groupId, `${asked.who.name} took back the course “${found.content.name}”. Your cards stay.`);
    },
    FRESH,
  );
}

/** A course as a group goes through it, for those who teach it. */
export interface CourseOfGroup {
  readonly courseId: string;
  readonly name: string;
  readonly startsOn: string;
  readonly pace: number | null;
  readonly units: readonly {
    readonly id: string;
    readonly name: string;
    readonly exerciseIds: readonly string[];
    readonly dueOn: string | null;
    readonly set: boolean;
  }[];
}

export function courseOfGroup({ courseId, content, plan }: courses.GivenCourse): CourseOfGroup {
  const dues = dueDaysOf(content.units, plan);
  return {
    courseId,
    name: content.name,
    startsOn: plan.startsOn,
    pace: plan.pace,
    units: content.units.map(({ id, name, exerciseIds }, i) => ({ id, name, exerciseIds, dueOn: dues[i] ?? null, set: id in plan.dues })),
  };
}

/** Groups that have a course, of those that the one who asks may see. */
export async function groupsHaving(asked: RequestContext, courseId: string): Promise<{ readonly id: string; readonly name: string }[]> {
  const [having, mine] = await Promise.all([courses.groupsWithCourse(asked.db, courseId), groupsTaught(asked)]);
  return having.filter(({ id }) => mine.some((group) => group.id === id));
}
