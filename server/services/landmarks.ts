import type { Landmark } from '@core';
import { forbidden, invalid, notFound } from '../errors';
import { newId } from '../ids';
import { nameOf } from '../names';
import * as landmarks from '../repositories/landmarks';
import type { Asked } from '../service';
import { meshOf, modelRead, ownsModel } from './models';

/** More names than this on one model could not be read. */
const MOST = 200;

/** A landmark as the stage shows it. */
export interface LandmarkSeen extends Landmark {
  readonly id: string;
}

const seen = ({ id, name, kind, part, point, normal }: landmarks.KeptLandmark): LandmarkSeen => ({ id, name, kind, part, point, normal });

const named = (text: string): string => nameOf(text, 60, 'Give the landmark a name of 1 to 60 characters.');

/** Landmarks of a model in one revision, or its newest, in the order in which they were marked. */
export async function landmarksRead(asked: Asked, modelId: string, revision?: number): Promise<LandmarkSeen[]> {
  const found = await modelRead(asked, modelId, revision);
  return (await landmarks.listLandmarks(asked.db, modelId, found.revision.meshHash)).map(seen);
}

/** Marks a place of a model's newest geometry. Two landmarks of one model have two names. */
export async function markLandmark(asked: Asked, modelId: string, input: Landmark): Promise<{ id: string }> {
  const { model, revision } = await modelRead(asked, modelId);
  if (!ownsModel(asked, model)) throw forbidden('Landmarks are set by the one whose model it is. Copy the model to set your own.');
  const name = named(input.name);
  const mesh = await meshOf(asked, revision.meshHash);
  if (!mesh.parts.some((part) => part.id === input.part)) throw invalid('The model has no such part: pick the place on the stage again.', 'part');
  const known = await landmarks.listLandmarks(asked.db, modelId, revision.meshHash);
  if (known.length >= MOST) throw invalid(`The model has ${MOST} landmarks already: remove one first.`, 'name');
  mustBeNew(known, name, null);
  const id = newId();
  await landmarks.addLandmark(asked.db, { ...input, name, id, modelId, meshHash: revision.meshHash }, asked.now());
  return { id };
}

function mustBeNew(known: readonly landmarks.KeptLandmark[], name: string, but: string | null): void {
  if (known.some((each) => each.id !== but && each.name.toLowerCase() === name.toLowerCase()))
    throw invalid(`There is a landmark “${name}” already: choose another name.`, 'name');
}

async function ownLandmark(asked: Asked, id: string): Promise<landmarks.KeptLandmark> {
  const found = await landmarks.findLandmark(asked.db, id);
  if (!found) throw notFound('This landmark');
  const { model } = await modelRead(asked, found.modelId);
  if (!ownsModel(asked, model)) throw forbidden('Landmarks are changed by the one whose model it is.');
  return found;
}

export async function renameLandmark(asked: Asked, id: string, text: string): Promise<void> {
  const found = await ownLandmark(asked, id);
  const name = named(text);
  mustBeNew(await landmarks.listLandmarks(asked.db, found.modelId, found.meshHash), name, id);
  await landmarks.renameLandmark(asked.db, id, name);
}

export async function removeLandmark(asked: Asked, id: string): Promise<void> {
  await ownLandmark(asked, id);
  await landmarks.removeLandmark(asked.db, id);
}
