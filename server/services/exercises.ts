import {
  COMMAND_GROUP_IDS,
  type DraftConflict,
  defaultCriteria,
  drafted,
  type Exercise,
  exerciseSchema,
  type Finding,
  type GoalKindId,
  initialScene,
  kindById,
  mergeDrafts,
  type SkillId,
  sameData,
  stepsOn,
} from '@core';
import { FRESH, transact, unlessTaken } from '../database';
import { forbidden, invalid, notFound, plainly, ServiceError } from '../errors';
import { newId } from '../ids';
import { meshBytesOf } from '../meshes';
import { hasAttempted } from '../repositories/attempts';
import { writeDown } from '../repositories/audit';
import { coursesWith, groupsWaitingFor } from '../repositories/courses';
import * as exercises from '../repositories/exercises';
import type { RequestContext } from '../service';
import { fitGroup, givenTo } from './given';
import { getModel } from './models';
import { isStaff } from './people';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const LARGEST_PICTURE = 1024 * 1024;

/** An exercise, if the one who asks may read it. */
async function readable(asked: RequestContext, id: string): Promise<exercises.ExerciseRecord | null> {
  const record = await exercises.findExercise(asked.db, id);
  const may = record && (asked.who.role === 'lead' || (asked.who.role === 'instructor' && (record.shared || record.ownerId === asked.who.id)));
  return may ? record : null;
}

export const mayReadExercise = async (asked: RequestContext, id: string): Promise<boolean> => (await readable(asked, id)) !== null;

export async function exerciseRead(asked: RequestContext, id: string): Promise<exercises.ExerciseRecord> {
  const record = await readable(asked, id);
  if (!record) throw notFound('This exercise');
  return record;
}

async function exerciseOwned(asked: RequestContext, id: string): Promise<exercises.ExerciseRecord> {
  const record = await exerciseRead(asked, id);
  if (asked.who.role !== 'lead' && record.ownerId !== asked.who.id) throw forbidden('This exercise belongs to someone else: copy it to change it.');
  return record;
}

/** A new exercise on a model: from its home view to a view yet to be set. */
export async function makeExercise(asked: RequestContext, modelId: string): Promise<string> {
  if (!isStaff(asked.who)) throw forbidden('Only instructors build exercises.');
  const { model, revision } = await getModel(asked, modelId);
  if (model.archivedAt) throw invalid('This model is put away: bring it back in the library first.', 'modelId');
  const start = initialScene(revision.home);
  const goal = kindById('matchView').create(start);
  const draft: Exercise = {
    title: '',
    brief: '',
    model: { id: modelId, revision: revision.revision },
    start,
    steps: [{ id: newId(), brief: '', skill: 'orbit', otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal) }],
    allowed: [...COMMAND_GROUP_IDS],
    schemes: [],
    liveHelp: true,
    showTarget: true,
  };
  const id = newId();
  await exercises.addExercise(asked.db, { id, ownerId: asked.who.id, shared: false, draft }, asked.now());
  return id;
}

export interface DraftSeen {
  readonly draft: Exercise;
  /** Counts the changes of the draft: what is saved says which one it was made on. */
  readonly revision: number;
  readonly version: number;
  readonly mine: boolean;
  readonly archived: boolean;
  /** Whether it says something else than the newest version. */
  readonly changedSince: boolean;
}

export async function draftRead(asked: RequestContext, id: string): Promise<DraftSeen> {
  const record = await exerciseRead(asked, id);
  if (!record.draft)
    throw new ServiceError(
      409,
      'unreadable',
      'This exercise cannot be read: it was kept in a form that this program does not know. Nothing of it is lost; tell whoever runs Dial Home.',
    );
  const version = await exercises.latestVersion(asked.db, id);
  const newest = version > 0 ? await exercises.findVersion(asked.db, id, version) : null;
  return {
    draft: record.draft,
    revision: record.draftRevision,
    version,
    mine: asked.who.role === 'lead' || record.ownerId === asked.who.id,
    archived: record.archivedAt !== null,
    changedSince: isChanged(record.draft, newest),
  };
}

export interface ExerciseLine {
  readonly id: string;
  /** Null when it cannot be read. */
  readonly title: string | null;
  readonly steps: number;
  readonly version: number;
  /** Whether the draft is no longer what was published. */
  readonly changedSince: boolean;
  readonly mine: boolean;
  readonly updatedAt: Date;
  readonly archived: boolean;
  readonly skills: readonly SkillId[];
  readonly goals: readonly GoalKindId[];
  /** The model that its draft is built on; null when it cannot be read. */
  readonly model: Exercise['model'] | null;
}

/** Whether a draft is no longer what was published. */
const isChanged = (draft: Exercise, newest: exercises.ExerciseVersion | null): boolean =>
  newest !== null && !sameData(drafted(newest.content), drafted(stepsOn(draft)));

export async function exercisesRead(asked: RequestContext): Promise<ExerciseLine[]> {
  if (!isStaff(asked.who)) throw forbidden('Building is for instructors.');
  const [list, versions] = await Promise.all([
    exercises.listExercises(asked.db, asked.who.role === 'lead' ? null : asked.who.id),
    exercises.latestVersions(asked.db),
  ]);
  return Promise.all(
    list.map(async (record) => {
      const version = versions.get(record.id) ?? 0;
      // Versions are read once a process.
      const newest = version > 0 ? await exercises.findVersion(asked.db, record.id, version) : null;
      const steps = record.draft?.steps ?? [];
      return {
        id: record.id,
        title: record.draft?.title ?? null,
        steps: steps.length,
        version,
        changedSince: record.draft !== null && isChanged(record.draft, newest),
        mine: asked.who.role === 'lead' || record.ownerId === asked.who.id,
        updatedAt: record.updatedAt,
        archived: record.archivedAt !== null,
        skills: [...new Set(steps.map(({ skill }) => skill))],
        goals: [...new Set(steps.map(({ goal }) => goal.kind))],
        model: record.draft?.model ?? null,
      };
    }),
  );
}

/** Whether the one who asks ever published an exercise. */
export const hasBuilt = (asked: RequestContext): Promise<boolean> => exercises.hasPublished(asked.db, asked.who.id);

/** Exercises that the one who asks can give: published, and not put away. */
export async function exercisesToGive(asked: RequestContext): Promise<{ readonly id: string; readonly title: string }[]> {
  return (await exercisesRead(asked)).flatMap(({ id, title, version, archived }) => (version > 0 && !archived ? [{ id, title: title || 'Untitled' }] : []));
}

export interface DraftSaved {
  readonly revision: number;
  /** The draft as it is now kept, where others had changed it meanwhile; null: as it was sent. */
  readonly draft: Exercise | null;
  /** Fields that others changed to something else: their value is kept, one's own is told. */
  readonly conflicts: readonly DraftConflict[];
}

/** Where a change was made: on which revision of the draft, and in which window of a browser. */
export interface MadeOn {
  readonly base: number;
  readonly window: string;
}

/**
 * Keeps a draft. What others saved since `base` is brought together with it. `made`: left out where nobody else can be at
 * work, as when data is seeded.
 */
export async function saveDraft(asked: RequestContext, id: string, draft: Exercise, made?: MadeOn): Promise<DraftSaved> {
  await exerciseOwned(asked, id);
  await getModel(asked, draft.model.id, draft.model.revision);
  return transact(asked.db, async (tx) => {
    const record = await exercises.lockExercise(tx, id);
    if (!record) throw notFound('This exercise');
    const revision = record.draftRevision + 1;
    const window = made?.window ?? '';
    const keep = (kept: Exercise): Promise<void> => exercises.saveDraft(tx, id, { draft: kept, revision, window }, asked.now());
    const since = made && made.base < record.draftRevision ? await exercises.windowsSince(tx, id, made.base) : [];
    // What one's own window saved, though the answer was lost, is no other's change.
    if (
      !record.draft ||
      !made ||
      made.base >= record.draftRevision ||
      (since.length === record.draftRevision - made.base && since.every((by) => by === window))
    ) {
      await keep(draft);
      return { revision, draft: null, conflicts: [] };
    }
    const merged = mergeDrafts(await exercises.draftAt(tx, id, made.base), draft, record.draft);
    await keep(merged.draft);
    return { revision, ...merged };
  });
}

/** Puts an exercise away, or brings it back: attempts and what is assigned stay. */
export async function archiveExercise(asked: RequestContext, id: string, archived: boolean): Promise<void> {
  await exerciseOwned(asked, id);
  if (archived) {
    const groups = await exercises.groupsGiven(asked.db, id);
    if (groups.length > 0) throw invalid(`It is assigned to ${groups.map((g) => g.name).join(', ')}: take it back there first.`, 'archived');
    const courses = await coursesWith(asked.db, id);
    if (courses.length > 0) throw invalid(`It stands in ${courses.map((name) => `“${name}”`).join(', ')}: take it out there first.`, 'archived');
  }
  await exercises.setArchived(asked.db, id, archived ? asked.now() : null);
}

/** An exercise of one's own with the same content. */
export async function copyExercise(asked: RequestContext, id: string): Promise<string> {
  const { draft } = await draftRead(asked, id);
  const copy = newId();
  await exercises.addExercise(
    asked.db,
    { id: copy, ownerId: asked.who.id, shared: false, draft: { ...draft, title: `${draft.title} (copy)`.slice(0, 120) } },
    asked.now(),
  );
  return copy;
}

export interface Published {
  readonly version: number;
  /** Nothing was changed since that version: no other was made. */
  readonly unchanged: boolean;
  /** What its author should know, though it keeps nothing back. */
  readonly warnings: readonly Finding[];
}

/** Writes the draft as an immutable version. `pictures`: a PNG of each step's target, null where there is none. */
export async function publish(asked: RequestContext, id: string, pictures: readonly (Uint8Array | null)[]): Promise<Published> {
  const record = await exerciseOwned(asked, id);
  const { draft } = record;
  if (!draft) throw invalid('This draft cannot be read any more.');
  if (draft.steps.every((step) => step.off)) throw invalid('All steps are switched off: switch one on.', 'steps');
  const parsed = exerciseSchema.safeParse(stepsOn(draft));
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    const path = placeInDraft(draft, issue?.path ?? []);
    throw invalid(fieldMessage(path, issue ? plainly(issue) : 'something is missing'), path.join('.'));
  }
  const drawn = drafted(parsed.data);
  const latest = await exercises.latestVersion(asked.db, id);
  const newest = latest > 0 ? await exercises.findVersion(asked.db, id, latest) : null;
  if (newest && sameData(drafted(newest.content), drawn)) return { version: latest, unchanged: true, warnings: [] };
  const { revision } = await getModel(asked, drawn.model.id, drawn.model.revision);
  const { revision: newestModel } = await getModel(asked, drawn.model.id);
  // All steps, so that those which are told of have the numbers that their author sees.
  const whole: Exercise = { ...drawn, steps: draft.steps.map((step) => drawn.steps.find(({ id: on }) => on === step.id) ?? step) };
  const input = { content: whole, mesh: await meshBytesOf(asked, revision.meshHash), home: revision.home };
  const { faults, warnings, settled: content } = await asked.pool.run('examine', input, { for: asked.who.id });
  const [fault] = faults;
  if (fault) throw invalid(fault.message, fault.field);
  if (pictures.length !== content.steps.length) throw invalid('A picture of each step is needed. Open the exercise again and publish once more.');
  for (const picture of pictures) {
    if (picture && (picture.length > LARGEST_PICTURE || !PNG.every((byte, i) => picture[i] === byte))) throw invalid('A picture is too large or no PNG.');
  }
  const kept = await Promise.all(pictures.map((picture) => (picture ? asked.files.keep(picture) : null)));
  const version = latest + 1;
  await unlessTaken(
    () => exercises.addVersion(asked.db, { exerciseId: id, version, content, pictures: kept, publishedAt: asked.now() }),
    () => new ServiceError(409, 'changed', 'This exercise was published at the same moment by someone else: look at it, then publish again.'),
  );
  if (latest === 0)
    await transact(
      asked.db,
      async (tx) => {
        for (const groupId of await groupsWaitingFor(tx, id)) await fitGroup(tx, groupId);
      },
      FRESH,
    );
  await writeDown(asked.db, { what: 'exercise-published', byId: asked.who.id, facts: { exercise: content.title, version } }, asked.now());
  const older = newestModel.revision > revision.revision;
  const words = `It is built on revision ${revision.revision} of its model, and there is revision ${newestModel.revision}: look whether it should stand on that.`;
  return { version, unchanged: false, warnings: older ? [...warnings, { message: words, field: 'model' }] : warnings };
}

/** A place in what is published, as the place in the draft with the steps that are switched off. */
function placeInDraft(draft: Exercise, [first, number, ...rest]: readonly PropertyKey[]): PropertyKey[] {
  if (first !== 'steps' || typeof number !== 'number') return [first, number, ...rest].filter((key) => key !== undefined);
  const on = draft.steps.flatMap((step, i) => (step.off ? [] : [i]));
  return [first, on[number] ?? number, ...rest];
}

const PLACES: Record<string, string> = {
  title: 'The title',
  brief: 'The brief',
  criteria: 'The criteria',
  allowed: 'What is allowed',
  goal: 'The goal',
  hints: 'The hints',
};

function fieldMessage(path: readonly PropertyKey[], message: string): string {
  const step = path[0] === 'steps' && typeof path[1] === 'number' ? `Step ${path[1] + 1}: ` : '';
  // The brief of a step is called "What to do" on the screen.
  const known = step ? path.slice(2) : path;
  const place = [...known].reverse().find((key) => typeof key === 'string' && key in PLACES);
  const words = step && place === 'brief' ? 'What to do' : place && PLACES[place as string];
  return `${step}${words ? `${words}: ` : ''}${message}.`;
}

/** A published version for the one who practises it: staff who may read it, trainees to whom it is assigned and open. */
export async function versionToPractise(asked: RequestContext, exerciseId: string): Promise<exercises.ExerciseVersion> {
  let version: number;
  if (isStaff(asked.who)) {
    await exerciseRead(asked, exerciseId);
    version = await exercises.latestVersion(asked.db, exerciseId);
  } else {
    const { assigned, closed } = await givenTo(asked, asked.who.id);
    const why = closed.get(exerciseId);
    if (why) throw new ServiceError(403, 'closed', `This exercise is not open yet. ${why}`);
    version = assigned.find((a) => a.exerciseId === exerciseId)?.version ?? 0;
  }
  const found = version > 0 ? await exercises.findVersion(asked.db, exerciseId, version) : null;
  if (!found) throw notFound('This exercise');
  return found;
}

/** The picture of a step's target, for whoever may practise or build the exercise. */
export async function pictureBytes(asked: RequestContext, exerciseId: string, version: number, step: number): Promise<Uint8Array> {
  if (isStaff(asked.who)) await exerciseRead(asked, exerciseId);
  else {
    const assigned = (await exercises.assignmentsOfPerson(asked.db, asked.who.id)).some((a) => a.exerciseId === exerciseId);
    const done = assigned || (await hasAttempted(asked.db, asked.who.id, exerciseId));
    if (!done) throw notFound('This picture');
  }
  if (!Number.isSafeInteger(version) || version < 1 || !Number.isSafeInteger(step) || step < 0) throw notFound('This picture');
  const hash = (await exercises.findVersion(asked.db, exerciseId, version))?.pictures[step];
  if (!hash) throw notFound('This picture');
  return asked.files.read(hash);
}
