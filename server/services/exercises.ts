import { COMMAND_GROUP_IDS, defaultCriteria, type Exercise, exerciseSchema, type Finding, initialScene, kindById } from '@core';
import { unlessTaken } from '../database';
import { forbidden, invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { meshBytesOf } from '../meshes';
import { hasAttempted } from '../repositories/attempts';
import * as exercises from '../repositories/exercises';
import type { RequestContext } from '../service';
import { getModel } from './models';
import { isStaff, requireLedGroup } from './people';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const LARGEST_PICTURE = 1024 * 1024;

async function exerciseRead(asked: RequestContext, id: string): Promise<exercises.ExerciseRecord> {
  const record = await exercises.findExercise(asked.db, id);
  const may = record && (asked.who.role === 'lead' || (asked.who.role === 'instructor' && (record.shared || record.ownerId === asked.who.id)));
  if (!record || !may) throw notFound('This exercise');
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
  const { revision } = await getModel(asked, modelId);
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

export async function draftRead(asked: RequestContext, id: string): Promise<{ draft: Exercise; version: number; mine: boolean }> {
  const record = await exerciseRead(asked, id);
  if (!record.draft)
    throw new ServiceError(
      409,
      'unreadable',
      'This exercise cannot be read: it was kept in a form that this program does not know. Nothing of it is lost; tell whoever runs Dial Home.',
    );
  return {
    draft: record.draft,
    version: await exercises.latestVersion(asked.db, id),
    mine: asked.who.role === 'lead' || record.ownerId === asked.who.id,
  };
}

export interface ExerciseLine {
  readonly id: string;
  /** Null when it cannot be read. */
  readonly title: string | null;
  readonly steps: number;
  readonly version: number;
  readonly mine: boolean;
  readonly updatedAt: Date;
}

export async function exercisesRead(asked: RequestContext): Promise<ExerciseLine[]> {
  if (!isStaff(asked.who)) throw forbidden('Building is for instructors.');
  const list = await exercises.listExercises(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  return Promise.all(
    list.map(async (record) => {
      return {
        id: record.id,
        title: record.draft?.title ?? null,
        steps: record.draft?.steps.length ?? 0,
        version: await exercises.latestVersion(asked.db, record.id),
        mine: record.ownerId === asked.who.id,
        updatedAt: record.updatedAt,
      };
    }),
  );
}

export async function saveDraft(asked: RequestContext, id: string, draft: Exercise): Promise<void> {
  await exerciseOwned(asked, id);
  await getModel(asked, draft.model.id, draft.model.revision);
  await exercises.saveDraft(asked.db, id, draft, asked.now());
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
  /** What its author should know, though it keeps nothing back. */
  readonly warnings: readonly Finding[];
}

/** Writes the draft as an immutable version. `pictures`: a PNG of each step's target, null where there is none. */
export async function publish(asked: RequestContext, id: string, pictures: readonly (Uint8Array | null)[]): Promise<Published> {
  const record = await exerciseOwned(asked, id);
  const parsed = exerciseSchema.safeParse(record.draft);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    throw invalid(fieldMessage(issue?.path ?? [], issue?.message ?? 'something is missing'), issue?.path.join('.'));
  }
  const content = parsed.data;
  const { revision } = await getModel(asked, content.model.id, content.model.revision);
  const input = { content, mesh: await meshBytesOf(asked, revision.meshHash), home: revision.home };
  const { faults, warnings } = await asked.pool.run('examine', input, { for: asked.who.id });
  const [fault] = faults;
  if (fault) throw invalid(fault.message, fault.field);
  if (pictures.length !== content.steps.length) throw invalid('A picture of each step is needed. Open the exercise again and publish once more.');
  for (const picture of pictures) {
    if (picture && (picture.length > LARGEST_PICTURE || !PNG.every((byte, i) => picture[i] === byte))) throw invalid('A picture is too large or no PNG.');
  }
  const kept = await Promise.all(pictures.map((picture) => (picture ? asked.files.keep(picture) : null)));
  const version = (await exercises.latestVersion(asked.db, id)) + 1;
  await unlessTaken(
    () => exercises.addVersion(asked.db, { exerciseId: id, version, content, pictures: kept, publishedAt: asked.now() }),
    () => new ServiceError(409, 'changed', 'This exercise was published at the same moment by someone else: look at it, then publish again.'),
  );
  return { version, warnings };
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
  const place = [...path].reverse().find((key) => typeof key === 'string' && key in PLACES);
  return `${step}${place ? `${PLACES[place as string]}: ` : ''}${message}.`;
}

export async function assignExercise(asked: RequestContext, input: { groupId: string; exerciseId: string; dueOn: string | null }): Promise<void> {
  await requireLedGroup(asked, input.groupId);
  await exerciseRead(asked, input.exerciseId);
  const version = await exercises.latestVersion(asked.db, input.exerciseId);
  if (version === 0) throw invalid('Publish the exercise first.', 'exerciseId');
  const others = await exercises.assignmentsOfGroup(asked.db, input.groupId);
  await exercises.assign(asked.db, { id: newId(), groupId: input.groupId, exerciseId: input.exerciseId, version, position: others.length, dueOn: input.dueOn });
}

export async function unassignExercise(asked: RequestContext, groupId: string, exerciseId: string): Promise<void> {
  await requireLedGroup(asked, groupId);
  await exercises.unassign(asked.db, groupId, exerciseId);
}

export const assignmentsOfGroup = async (asked: RequestContext, groupId: string): Promise<exercises.Assignment[]> => {
  await requireLedGroup(asked, groupId);
  return exercises.assignmentsOfGroup(asked.db, groupId);
};

/** A published version for the one who practises it: staff who may read it, trainees to whom it is assigned. */
export async function versionToPractise(asked: RequestContext, exerciseId: string): Promise<exercises.ExerciseVersion> {
  let version: number;
  if (isStaff(asked.who)) {
    await exerciseRead(asked, exerciseId);
    version = await exercises.latestVersion(asked.db, exerciseId);
  } else {
    version = (await exercises.assignmentsOfPerson(asked.db, asked.who.id)).find((a) => a.exerciseId === exerciseId)?.version ?? 0;
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
