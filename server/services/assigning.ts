import { dayWords } from '@core';
import { type Database, FRESH, transact } from '../database';
import { invalid, notFound } from '../errors';
import { newId } from '../ids';
import { setCounting } from '../repositories/attempts';
import { writeDown } from '../repositories/audit';
import { groupsWaitingFor } from '../repositories/courses';
import * as exercises from '../repositories/exercises';
import { membersOf } from '../repositories/people';
import type { RequestContext } from '../service';
import { exerciseRead } from './exercises';
import { relearn } from './learning';
import { isStaff, personSeen, requireLedGroup } from './people';
import { tell, tellTrainees } from './telling';

/** The version in which an exercise is given, with its title. */
async function toGive(asked: RequestContext, exerciseId: string): Promise<{ readonly version: number; readonly exercise: string }> {
  const { archivedAt } = await exerciseRead(asked, exerciseId);
  if (archivedAt) throw invalid('This exercise is put away: bring it back first.', 'exerciseId');
  const version = await exercises.latestVersion(asked.db, exerciseId);
  if (version === 0) throw invalid('Publish the exercise first.', 'exerciseId');
  return { version, exercise: (await exercises.findVersion(asked.db, exerciseId, version))?.content.title ?? '' };
}

/** Gives the newest version to a group; given again, it is moved to that. */
export async function assignExercise(asked: RequestContext, input: { groupId: string; exerciseId: string; dueOn: string | null }): Promise<void> {
  const group = await requireLedGroup(asked, input.groupId);
  const { version, exercise } = await toGive(asked, input.exerciseId);
  const others = await exercises.assignmentsOfGroup(asked.db, input.groupId);
  await exercises.assign(asked.db, {
    id: newId(),
    groupId: input.groupId,
    exerciseId: input.exerciseId,
    version,
    position: others.length,
    dueOn: input.dueOn,
    alone: true,
  });
  await writeDown(asked.db, { what: 'exercise-given', byId: asked.who.id, facts: { exercise, version, group: group.name } }, asked.now());
}

/** Gives the newest version to trainees by name, all or none, beside what their groups have; given again, it is moved to that. They are told. */
export async function giveToPeople(
  asked: RequestContext,
  { personIds, exerciseId, dueOn }: { readonly personIds: readonly string[]; readonly exerciseId: string; readonly dueOn: string | null },
): Promise<void> {
  for (const id of personIds) {
    const person = isStaff(asked.who) ? await personSeen(asked, id) : null;
    if (person?.role !== 'trainee') throw invalid('Exercises are given to trainees: choose them alone.', 'personIds');
  }
  const { version, exercise } = await toGive(asked, exerciseId);
  await transact(asked.db, async (tx) => {
    await exercises.giveTo(tx, personIds, { exerciseId, version, dueOn }, asked.now());
    for (const aboutId of personIds) await writeDown(tx, { what: 'exercise-given-to', byId: asked.who.id, aboutId, facts: { exercise, version } }, asked.now());
    await tell(asked, tx, personIds, `${asked.who.name} gave you “${exercise}”${dueOn ? `, due on ${dayWords(dueOn)}` : ''}.`);
  });
}

/** What a trainee was given by name, for those who teach them. */
export async function givenByName(asked: RequestContext, personId: string): Promise<exercises.Assigned[]> {
  return exercises.givenToPerson(asked.db, (await personSeen(asked, personId)).id);
}

/** Takes back what was given to a trainee by name; what their groups have stays. */
export async function takeFromPerson(asked: RequestContext, personId: string, exerciseId: string): Promise<void> {
  if (!isStaff(asked.who)) throw notFound('This person');
  await personSeen(asked, personId);
  const given = (await exercises.givenToPerson(asked.db, personId)).find((each) => each.exerciseId === exerciseId);
  if (!given) throw notFound('This assignment');
  const { title: exercise } = given;
  await transact(asked.db, async (tx) => {
    await exercises.takeFrom(tx, personId, exerciseId);
    await writeDown(tx, { what: 'exercise-taken-from', byId: asked.who.id, aboutId: personId, facts: { exercise } }, asked.now());
    await tell(asked, tx, [personId], `${asked.who.name} took back “${exercise}”.`);
  });
}

/** What becomes of the attempts at what is corrected or taken back: they count as before, or are kept and do not count. */
export type Attempts = 'count' | 'doNotCount';

/** What an instructor wrote about it, as a sentence behind the others. */
const because = (why: string): string => (why ? ` ${why}${/[.!?]$/.test(why) ? '' : '.'}` : '');
const NOT_COUNTED = ' What you did there does not count; your cards stay.';

async function assignmentOf(asked: RequestContext, groupId: string, exerciseId: string): Promise<exercises.Assignment & { readonly group: string }> {
  const { name } = await requireLedGroup(asked, groupId);
  const found = (await exercises.assignmentsOfGroup(asked.db, groupId)).find((a) => a.exerciseId === exerciseId);
  if (!found) throw notFound('This assignment');
  return { ...found, group: name };
}

/** Leaves the attempts of a group at a version out of all that is known of its learners. */
async function stopCounting(tx: Database, of: { readonly groupId: string; readonly exerciseId: string; readonly version: number }): Promise<void> {
  await setCounting(tx, of, false);
  const trainees = await membersOf(tx, of.groupId, 'trainee', { all: true });
  await relearn(
    tx,
    of.exerciseId,
    trainees.map(({ id }) => id),
  );
}

export interface Correction {
  readonly attempts: Attempts;
  /** What those who have it are told, in the instructor's words; may be empty. */
  readonly why: string;
}

/** Takes an exercise back from a group: those who had it are told. */
export async function takeBack(asked: RequestContext, groupId: string, exerciseId: string, { attempts, why }: Correction): Promise<void> {
  const assignment = await assignmentOf(asked, groupId, exerciseId);
  const { title, version, alone } = assignment;
  if (!alone) throw invalid('The group has it by a course: take it out of the course, or take the course back.', 'exerciseId');
  await transact(
    asked.db,
    async (tx) => {
      const stays = (await groupsWaitingFor(tx, exerciseId)).includes(groupId);
      if (stays) await exercises.assign(tx, { ...assignment, alone: false, dueOn: null });
      else await exercises.unassign(tx, groupId, exerciseId);
      if (attempts === 'doNotCount') await stopCounting(tx, { groupId, exerciseId, version });
      await tellTrainees(
        asked,
        tx,
        groupId,
        `${asked.who.name} took back “${title}”.${stays ? ' It stays in your course.' : ''}${because(why)}${attempts === 'doNotCount' ? NOT_COUNTED : ''}`,
      );
      await writeDown(tx, { what: 'exercise-taken', byId: asked.who.id, facts: { exercise: title, group: assignment.group } }, asked.now());
    },
    FRESH,
  );
}

/** Brings the newest version to a group that has an earlier one: those who have it are told. */
export async function moveToNewest(asked: RequestContext, groupId: string, exerciseId: string, { attempts, why }: Correction): Promise<{ version: number }> {
  const assignment = await assignmentOf(asked, groupId, exerciseId);
  await exerciseRead(asked, exerciseId);
  const version = await exercises.latestVersion(asked.db, exerciseId);
  if (version <= assignment.version) throw invalid('The group has the newest version already.', 'exerciseId');
  await transact(
    asked.db,
    async (tx) => {
      await exercises.assign(tx, { ...assignment, version });
      if (attempts === 'doNotCount') await stopCounting(tx, { groupId, exerciseId, version: assignment.version });
      await tellTrainees(
        asked,
        tx,
        groupId,
        `“${assignment.title}” was corrected: practise it again.${because(why)}${attempts === 'doNotCount' ? NOT_COUNTED : ''}`,
      );
      await writeDown(tx, { what: 'exercise-moved', byId: asked.who.id, facts: { exercise: assignment.title, version, group: assignment.group } }, asked.now());
    },
    FRESH,
  );
  return { version };
}

export interface AssignmentSeen extends exercises.Assignment {
  /** The newest version there is. */
  readonly newest: number;
}

export async function assignmentsOfGroup(asked: RequestContext, groupId: string): Promise<AssignmentSeen[]> {
  await requireLedGroup(asked, groupId);
  const [assignments, versions] = await Promise.all([exercises.assignmentsOfGroup(asked.db, groupId), exercises.latestVersions(asked.db)]);
  return assignments.map((a) => ({ ...a, newest: versions.get(a.exerciseId) ?? a.version }));
}
