import type { Landmark } from '@core';
import { transact, unlessTaken } from '../database';
import { forbidden, invalid, notFound } from '../errors';
import { newId } from '../ids';
import { partsOf } from '../meshes';
import { nameOf } from '../names';
import * as landmarks from '../repositories/landmarks';
import { lockModel, type ModelRevision } from '../repositories/models';
import { lastRemoved, putBack, type Removed, remove } from '../repositories/removal';
import type { RequestContext } from '../service';
import { getModel, ownsModel } from './models';

/** More names than this on one model could not be read. */
const MOST = 200;

/** A landmark as the stage shows it. */
export interface LandmarkSeen extends Landmark {
  readonly id: string;
}

const seen = ({ id, name, kind, part, point, normal }: landmarks.KeptLandmark): LandmarkSeen => ({ id, name, kind, part, point, normal });

const named = (text: string): string => nameOf(text, 60, 'Give the landmark a name of 1 to 60 characters.');

/** Landmarks of a model in one revision, or its newest, in the order in which they were marked. */
export async function landmarksRead(asked: RequestContext, modelId: string, revision?: number): Promise<LandmarkSeen[]> {
  return landmarksOf(asked, (await getModel(asked, modelId, revision)).revision);
}

/** Landmarks of a revision that the one who asks has been given already. */
export async function landmarksOf(asked: RequestContext, revision: ModelRevision): Promise<LandmarkSeen[]> {
  return (await landmarks.listLandmarks(asked.db, revision.modelId, revision.meshHash)).map(seen);
}

/** Marks a place of a model's newest geometry. Two landmarks of one model have two names. */
export async function markLandmark(asked: RequestContext, modelId: string, input: Landmark): Promise<{ id: string }> {
  const { model, revision } = await getModel(asked, modelId);
  if (!ownsModel(asked, model)) throw forbidden('Landmarks are set by the one whose model it is: ask them to mark this place.');
  const name = named(input.name);
  if (!(await partsOf(asked, revision.meshHash)).has(input.part)) throw invalid('The model has no such part: pick the place on the stage again.', 'part');
  const id = newId();
  const mark = (): Promise<void> =>
    transact(asked.db, async (tx) => {
      await lockModel(tx, modelId);
      const known = await landmarks.listLandmarks(tx, modelId, revision.meshHash);
      if (known.length >= MOST) throw invalid(`The model has ${MOST} landmarks already: remove one first.`, 'name');
      await landmarks.addLandmark(tx, { ...input, name, id, modelId, meshHash: revision.meshHash }, asked.now());
    });
  await unlessTaken(mark, nameTaken(name));
  return { id };
}

/** Two landmarks of one model have two names, also when both come at the same moment: the database has the last word. */
const nameTaken = (name: string) => (): Error => invalid(`There is a landmark “${name}” already: choose another name.`, 'name');

/** The landmark of a model's newest geometry that was removed last, while it can be put back, for the one whose model it is. */
export async function landmarkRemoved(asked: RequestContext, modelId: string): Promise<Removed | null> {
  const { model, revision } = await getModel(asked, modelId);
  return ownsModel(asked, model) ? lastRemoved(asked.db, 'landmarks', { model_id: modelId, mesh_hash: revision.meshHash }, asked.now()) : null;
}

async function ownLandmark(asked: RequestContext, id: string, removed = false): Promise<landmarks.KeptLandmark> {
  const found = await landmarks.findLandmark(asked.db, id);
  if (found?.removed !== removed) throw notFound('This landmark');
  const { model } = await getModel(asked, found.modelId);
  if (!ownsModel(asked, model)) throw forbidden('Landmarks are changed by the one whose model it is.');
  return found;
}

export async function renameLandmark(asked: RequestContext, id: string, text: string): Promise<void> {
  const found = await ownLandmark(asked, id);
  const name = named(text);
  await unlessTaken(() => landmarks.renameLandmark(asked.db, found.id, name), nameTaken(name));
}

export async function removeLandmark(asked: RequestContext, id: string): Promise<void> {
  await remove(asked.db, 'landmarks', await ownLandmark(asked, id), asked.now());
}

/** Puts a landmark back that was removed, unless another one has its name by now. */
export async function putLandmarkBack(asked: RequestContext, id: string): Promise<void> {
  const { name } = await ownLandmark(asked, id, true);
  await unlessTaken(() => putBack(asked.db, 'landmarks', id), nameTaken(name));
}
