import { initialScene, type Scene, stepsOn } from '@core';
import { aimOf } from '@core/goals';
import { LRUCache } from 'lru-cache';
import { notFound, ServiceError } from '../errors';
import { meshBytesOf } from '../meshes';
import { createFairQueue } from '../pool/fairQueue';
import { findVersion } from '../repositories/exercises';
import { findRevision } from '../repositories/models';
import type { RequestContext } from '../service';
import { exerciseRead } from './exercises';
import { getModel } from './models';

/** Pixels of a drawn picture. */
const SIZE = { width: 320, height: 200 };

/** Pictures that were drawn lately, by what they show: revisions and versions never change. */
const drawn = new LRUCache<string, Uint8Array>({ maxSize: 32 * 1024 * 1024, sizeCalculation: (bytes) => bytes.byteLength });

/** A list asks for all its pictures at once: they are drawn one after the other, and leave threads for what is urgent. */
const turns = createFairQueue({
  slots: 1,
  waitingEach: 200,
  waitingAll: 2000,
  refuse: () => new ServiceError(503, 'busy', 'Too many pictures are being drawn: load the page again in a minute.'),
});

const draw = (asked: RequestContext, key: string, meshHash: string, scene: Scene): Promise<Uint8Array> =>
  turns.run(asked.who.id, async () => {
    const known = drawn.get(key);
    if (known) return known;
    const bytes = await asked.pool.run('picture', { mesh: await meshBytesOf(asked, meshHash), scene, ...SIZE }, { for: asked.who.id });
    drawn.set(key, bytes);
    return bytes;
  });

/** A PNG of a model as it is seen from home, for whoever may read it. */
export async function modelPicture(asked: RequestContext, modelId: string, number: number): Promise<Uint8Array> {
  if (!Number.isSafeInteger(number) || number < 1) throw notFound('This picture');
  const { revision } = await getModel(asked, modelId, number);
  return draw(asked, `${modelId} ${number} ${JSON.stringify(revision.home)}`, revision.meshHash, initialScene(revision.home));
}

/** A PNG of what a published version asks for first, or else of where it begins: for who may build it. */
export async function exercisePicture(asked: RequestContext, exerciseId: string, number: number): Promise<Uint8Array> {
  await exerciseRead(asked, exerciseId);
  if (!Number.isSafeInteger(number) || number < 1) throw notFound('This picture');
  const version = await findVersion(asked.db, exerciseId, number);
  if (!version) throw notFound('This picture');
  const { model, start } = version.content;
  const [target] = stepsOn(version.content).steps.flatMap((step) => aimOf(step).target ?? []);
  const revision = await findRevision(asked.db, model.id, model.revision);
  if (!revision) throw notFound('This picture');
  return draw(asked, `${exerciseId} v${number}`, revision.meshHash, target ?? start);
}
