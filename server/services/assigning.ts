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
import { requireLedGroup } from './people';
import { tellTrainees } from './telling';

/** Gives the newest version to a group; given again, it is moved to that. */
export async function assignExercise(asked: RequestContext, input: { groupId: string; exerciseId: string; dueOn: string | null }): Promise<void> {
  const group = await requireLedGroup(asked, input.groupId);
  const { archivedAt } = await exerciseRead(asked, input.exerciseId);
  if (archivedAt) throw invalid('This exercise is put away: bring it back first.', 'exerciseId');
  const version = await exercises.latestVersion(asked.db, input.exerciseId);
  if (version === 0) throw invalid('Publish the exercise first.', 'exerciseId');
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
  const exercise = (await exercises.findVersion(asked.db, input.exerciseId, version))?.content.title ?? '';
  await writeDown(asked.db, { what: 'exercise-given', byId: asked.who.id, facts: { exercise, version, group: group.name } }, asked.now());
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
