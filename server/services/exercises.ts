import { COMMAND_GROUP_IDS, draftSchema, type Exercise, exerciseSchema, initialScene, type Step, usualCriteria } from '@core';
import { unlessTaken } from '../database';
import { forbidden, invalid, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { partsOf } from '../meshes';
import * as exercises from '../repositories/exercises';
import type { Asked } from '../service';
import { modelRead } from './models';
import { groupLed, isStaff } from './people';

const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const LARGEST_PICTURE = 1024 * 1024;

async function exerciseRead(asked: Asked, id: string): Promise<exercises.ExerciseRecord> {
  const record = await exercises.findExercise(asked.db, id);
  const may = record && (asked.who.role === 'lead' || (asked.who.role === 'instructor' && (record.shared || record.ownerId === asked.who.id)));
  if (!record || !may) throw notFound('This exercise');
  return record;
}

async function exerciseOwned(asked: Asked, id: string): Promise<exercises.ExerciseRecord> {
  const record = await exerciseRead(asked, id);
  if (asked.who.role !== 'lead' && record.ownerId !== asked.who.id) throw forbidden('This exercise belongs to someone else: copy it to change it.');
  return record;
}

/** A new exercise on a model: from its home view to a view yet to be set. */
export async function makeExercise(asked: Asked, modelId: string): Promise<string> {
  if (!isStaff(asked.who)) throw forbidden('Only instructors build exercises.');
  const { revision } = await modelRead(asked, modelId);
  const start = initialScene(revision.home);
  const goal: Step['goal'] = { kind: 'matchView', target: start, subject: [] };
  const draft: Exercise = {
    title: '',
    brief: '',
    model: { id: modelId, revision: revision.revision },
    start,
    steps: [{ id: newId(), brief: '', skill: 'orbit', otherSkills: [], hints: [], goal, criteria: usualCriteria(goal) }],
    allowed: [...COMMAND_GROUP_IDS],
    schemes: [],
    liveHelp: true,
    showTarget: true,
  };
  const id = newId();
  await exercises.addExercise(asked.db, { id, ownerId: asked.who.id, shared: false, draft }, asked.now());
  return id;
}

export async function draftRead(asked: Asked, id: string): Promise<{ draft: Exercise; version: number; mine: boolean }> {
  const record = await exerciseRead(asked, id);
  return {
    draft: draftSchema.parse(record.draft),
    version: await exercises.latestVersion(asked.db, id),
    mine: asked.who.role === 'lead' || record.ownerId === asked.who.id,
  };
}

export interface ExerciseLine {
  readonly id: string;
  readonly title: string;
  readonly steps: number;
  readonly version: number;
  readonly mine: boolean;
  readonly updatedAt: Date;
}

export async function exercisesRead(asked: Asked): Promise<ExerciseLine[]> {
  if (!isStaff(asked.who)) throw forbidden('Building is for instructors.');
  const list = await exercises.listExercises(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  return Promise.all(
    list.map(async (record) => {
      const draft = draftSchema.parse(record.draft);
      return {
        id: record.id,
        title: draft.title,
        steps: draft.steps.length,
        version: await exercises.latestVersion(asked.db, record.id),
        mine: record.ownerId === asked.who.id,
        updatedAt: record.updatedAt,
      };
    }),
  );
}

export async function saveDraft(asked: Asked, id: string, draft: Exercise): Promise<void> {
  await exerciseOwned(asked, id);
  await modelRead(asked, draft.model.id, draft.model.revision);
  await exercises.saveDraft(asked.db, id, draft, asked.now());
}

/** An exercise of one's own with the same content. */
export async function copyExercise(asked: Asked, id: string): Promise<string> {
  const { draft } = await draftRead(asked, id);
  const copy = newId();
  await exercises.addExercise(
    asked.db,
    { id: copy, ownerId: asked.who.id, shared: false, draft: { ...draft, title: `${draft.title} (copy)`.slice(0, 120) } },
    asked.now(),
  );
  return copy;
}

function partsNamed(step: Step): string[] {
  const { goal } = step;
  if (goal.kind === 'matchView') return [...goal.subject, ...Object.keys(goal.target.visibility)];
  if (goal.kind === 'frameIt') return goal.subject;
  return goal.kind === 'cutToReveal' ? goal.reveal : [];
}

/** What is wrong with an exercise beyond its shape; null: nothing. */
function faultOf(content: Exercise, partIds: ReadonlySet<string>): { message: string; field: string } | null {
  for (const [i, step] of content.steps.entries()) {
    const unknown = partsNamed(step).find((id) => !partIds.has(id));
    if (unknown) return { message: `Step ${i + 1}: the model has no part "${unknown}".`, field: `steps.${i}.goal` };
    if (step.goal.kind === 'cutToReveal' && !step.goal.plane && step.goal.reveal.length === 0)
      return { message: `Step ${i + 1}: set a cut, or choose the parts it must reveal.`, field: `steps.${i}.goal` };
    if (step.goal.kind === 'frameIt' && !content.allowed.includes('panZoom'))
      return { message: `Step ${i + 1}: framing needs "Pan and zoom" allowed.`, field: 'allowed' };
    if (step.goal.kind === 'cutToReveal' && !content.allowed.includes('section'))
      return { message: `Step ${i + 1}: cutting needs "Section" allowed.`, field: 'allowed' };
  }
  return null;
}

/** Writes the draft as an immutable version. `pictures`: a PNG of each step's target, null where there is none. */
export async function publish(asked: Asked, id: string, pictures: readonly (Uint8Array | null)[]): Promise<number> {
  const record = await exerciseOwned(asked, id);
  const parsed = exerciseSchema.safeParse(record.draft);
  if (!parsed.success) {
    const issue = parsed.error.issues[0];
    throw invalid(fieldMessage(issue?.path ?? [], issue?.message ?? 'something is missing'), issue?.path.join('.'));
  }
  const content = parsed.data;
  const { revision } = await modelRead(asked, content.model.id, content.model.revision);
  const fault = faultOf(content, await partsOf(asked, revision.meshHash));
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
  return version;
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

export async function assignExercise(asked: Asked, input: { groupId: string; exerciseId: string; dueOn: string | null }): Promise<void> {
  await groupLed(asked, input.groupId);
  await exerciseRead(asked, input.exerciseId);
  const version = await exercises.latestVersion(asked.db, input.exerciseId);
  if (version === 0) throw invalid('Publish the exercise first.', 'exerciseId');
  const others = await exercises.assignmentsOfGroup(asked.db, input.groupId);
  await exercises.assign(asked.db, { id: newId(), groupId: input.groupId, exerciseId: input.exerciseId, version, position: others.length, dueOn: input.dueOn });
}

export async function unassignExercise(asked: Asked, groupId: string, exerciseId: string): Promise<void> {
  await groupLed(asked, groupId);
  await exercises.unassign(asked.db, groupId, exerciseId);
}

export const assignmentsOfGroup = async (asked: Asked, groupId: string): Promise<exercises.Assignment[]> => {
  await groupLed(asked, groupId);
  return exercises.assignmentsOfGroup(asked.db, groupId);
};

/** A published version for the one who practises it: staff who may read it, trainees to whom it is assigned. */
export async function versionToPractise(asked: Asked, exerciseId: string): Promise<exercises.ExerciseVersion> {
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

/**
 * The content as a trainee's browser may have it. Of a hidden target nothing is in it: no view, cut or line, no normal of a
 * called face, and hints are empty until they are asked for, one after the other.
 */
export function forTrainee(content: Exercise): Exercise {
  if (content.showTarget) return content;
  const { start } = content;
  const redacted = (goal: Step['goal']): Step['goal'] => {
    switch (goal.kind) {
      case 'matchView':
        return { ...goal, target: start };
      case 'cutToReveal':
        return { ...goal, plane: null };
      case 'followOrbit':
        return {
          ...goal,
          pivot: start.view.target,
          path: [
            { t: 0, view: start.view },
            { t: 1, view: start.view },
          ],
        };
      case 'callView':
        return { ...goal, calls: goal.calls.map((call) => (call.kind === 'face' ? { ...call, point: [0, 0, 0] as const, normal: [0, 0, 0] as const } : call)) };
      case 'frameIt':
        return goal;
    }
  };
  return { ...content, liveHelp: false, steps: content.steps.map((step) => ({ ...step, hints: step.hints.map(() => ''), goal: redacted(step.goal) })) };
}

/** The picture of a step's target, for whoever may practise or build the exercise. */
export async function pictureBytes(asked: Asked, exerciseId: string, version: number, step: number): Promise<Uint8Array> {
  if (isStaff(asked.who)) await exerciseRead(asked, exerciseId);
  else {
    const assigned = (await exercises.assignmentsOfPerson(asked.db, asked.who.id)).some((a) => a.exerciseId === exerciseId);
    const done = assigned || (await asked.db('attempts').where({ person_id: asked.who.id, exercise_id: exerciseId }).first('id'));
    if (!done) throw notFound('This picture');
  }
  if (!Number.isSafeInteger(version) || version < 1 || !Number.isSafeInteger(step) || step < 0) throw notFound('This picture');
  const hash = (await exercises.findVersion(asked.db, exerciseId, version))?.pictures[step];
  if (!hash) throw notFound('This picture');
  return asked.files.read(hash);
}
