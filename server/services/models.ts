import { mergedInto, type Naming, NO_NAMING, namedFurther, type View } from '@core';
import { type Database, transact, unlessTaken } from '../database';
import { forbidden, notFound, ServiceError } from '../errors';
import { newId } from '../ids';
import { meshBytesOf } from '../meshes';
import { nameOf } from '../names';
import type { ModelInput, ReadModel } from '../pool';
import { addLandmark, listLandmarks } from '../repositories/landmarks';
import * as models from '../repositories/models';
import type { RequestContext } from '../service';
import { isStaff } from './people';

export interface ModelWithRevision {
  readonly model: models.Model;
  readonly revision: models.ModelRevision;
}

const isEmpty = ({ names, merges }: Naming): boolean => Object.keys(names).length === 0 && merges.length === 0;

/** Reads a model in the pool and keeps its mesh, its parts called as people call them. */
async function readAndKeep(asked: RequestContext, input: ModelInput, naming: Naming = NO_NAMING): Promise<ReadModel> {
  const transfer = 'form' in input ? [input.form.buffer as ArrayBuffer] : [];
  const file = await asked.pool.run('model', input, { for: asked.who.id, transfer });
  const read = isEmpty(naming) ? file : { ...file, ...(await asked.pool.run('nameParts', { mesh: file.mesh, naming, strict: false }, { for: asked.who.id })) };
  await asked.files.keep(read.mesh, read.hash);
  return read;
}

const revisionOf = (
  read: ReadModel,
  modelId: string,
  revision: number,
  warnings: readonly string[] = read.warnings,
  naming: Naming = NO_NAMING,
): models.ModelRevision => ({
  modelId,
  revision,
  meshHash: read.hash,
  home: read.home,
  summary: { triangles: read.triangles, parts: read.parts.length, size: read.size, file: read.file, warnings: [...warnings] },
  placement: read.placement,
  naming,
});

/** Imports a model: the file is read, checked, placed and kept as a canonical mesh. Nothing is kept when it fails. */
export async function importModel(asked: RequestContext, input: ModelInput): Promise<ModelWithRevision> {
  if (!isStaff(asked.who)) throw forbidden('Only instructors import models.');
  if (!('form' in input)) nameOf(input.name ?? '');
  const read = await readAndKeep(asked, input);
  const model: models.Model = { id: newId(), ownerId: asked.who.id, name: nameOf(read.name), shared: false, archivedAt: null };
  const revision = revisionOf(read, model.id, 1);
  await transact(asked.db, async (tx) => {
    await models.addModel(tx, model, asked.now());
    await models.addRevision(tx, revision, read.offset, asked.now());
  });
  return { model, revision };
}

/** New geometry or axes for a model: a new revision; exercises keep the one they were made on. `give` is asked for the files once it is known that they may be sent. */
export async function reviseModel(asked: RequestContext, modelId: string, give: () => Promise<ModelInput>): Promise<ModelWithRevision> {
  const model = await modelOwned(asked, modelId);
  const naming = (await models.latestRevision(asked.db, modelId))?.naming ?? NO_NAMING;
  const read = await readAndKeep(asked, await give(), naming);
  const revise = (): Promise<models.ModelRevision> =>
    transact(asked.db, async (tx) => {
      const latest = await models.latestRevision(tx, modelId);
      const number = (latest?.revision ?? 0) + 1;
      const left = latest ? await carryLandmarks(tx, latest, read, asked.now()) : [];
      const warnings = left.length > 0 ? [...read.warnings, `Mark these landmarks again, their places may have moved: ${left.join(', ')}.`] : read.warnings;
      const made = revisionOf(read, modelId, number, warnings, naming);
      await models.addRevision(tx, made, read.offset, asked.now());
      return made;
    });
  const revision = await unlessTaken(revise, changedMeanwhile);
  return { model, revision };
}

/** A revision whose number another took at the same moment is told so: nothing of it is kept. */
const changedMeanwhile = (): Error =>
  new ServiceError(409, 'changed', 'This model was changed at the same moment by someone else: look at it, then try again.');

/** Takes landmarks over to other geometry of a model: those that name a part which is still there. Returns the names of those left behind. */
async function carryLandmarks(db: Database, from: models.ModelRevision, to: ReadModel, now: Date): Promise<string[]> {
  if (from.meshHash === to.hash) return [];
  const parts = new Set(to.parts);
  const known = new Set((await listLandmarks(db, from.modelId, to.hash)).map((mark) => mark.name));
  const left: string[] = [];
  for (const mark of await listLandmarks(db, from.modelId, from.meshHash)) {
    if (known.has(mark.name)) continue;
    // Where a face or a point lies in other geometry cannot be known.
    if (mark.kind === 'part' && parts.has(mark.part)) await addLandmark(db, { ...mark, id: newId(), meshHash: to.hash }, now);
    else left.push(mark.name);
  }
  return left;
}

/** Calls and merges the parts of a model as people want them: a new revision of the same geometry, with all its landmarks. */
export async function nameParts(asked: RequestContext, modelId: string, naming: Naming): Promise<{ revision: number }> {
  await modelOwned(asked, modelId);
  const before = await models.latestRevision(asked.db, modelId);
  if (!before) throw notFound('This model');
  if (isEmpty(naming)) return { revision: before.revision };
  const named = await asked.pool.run('nameParts', { mesh: await meshBytesOf(asked, before.meshHash), naming, strict: true }, { for: asked.who.id });
  await asked.files.keep(named.mesh, named.hash);
  const now = mergedInto(naming);
  const revise = (): Promise<{ revision: number }> =>
    transact(asked.db, async (tx) => {
      const latest = await models.latestRevision(tx, modelId);
      if (latest?.revision !== before.revision) throw changedMeanwhile();
      const made: models.ModelRevision = {
        ...before,
        revision: before.revision + 1,
        meshHash: named.hash,
        summary: { ...before.summary, parts: named.parts.length },
        naming: namedFurther(before.naming, naming),
      };
      await models.addRevision(tx, made, [0, 0, 0], asked.now());
      if (named.hash !== before.meshHash) {
        const known = new Set((await listLandmarks(tx, modelId, named.hash)).map((mark) => mark.name));
        for (const mark of await listLandmarks(tx, modelId, before.meshHash))
          if (!known.has(mark.name)) await addLandmark(tx, { ...mark, id: newId(), meshHash: named.hash, part: now.get(mark.part) ?? mark.part }, asked.now());
      }
      return { revision: made.revision };
    });
  return unlessTaken(revise, changedMeanwhile);
}

async function modelOwned(asked: RequestContext, modelId: string): Promise<models.Model> {
  const model = await models.findModel(asked.db, modelId);
  if (!model || (await revisionsRead(asked, model)).length === 0) throw notFound('This model');
  if (!ownsModel(asked, model)) throw forbidden('This model belongs to someone else: ask them to change it, or import it yourself.');
  return model;
}

/** Whether the one who asks may change a model. */
export const ownsModel = (asked: RequestContext, model: models.Model): boolean => asked.who.role === 'lead' || model.ownerId === asked.who.id;

/** The revisions of a model that the one who asks may read: all, or those of a trainee's exercises and own attempts. */
async function revisionsRead(asked: RequestContext, model: models.Model): Promise<'all' | readonly number[]> {
  if (!isStaff(asked.who)) return models.revisionsFor(asked.db, asked.who.id, model.id);
  return model.shared || ownsModel(asked, model) ? 'all' : [];
}

/** A model in one revision, or its newest; a trainee has the revisions of their exercises and of their own attempts only. */
export async function getModel(asked: RequestContext, modelId: string, revision?: number): Promise<ModelWithRevision> {
  const model = await models.findModel(asked.db, modelId);
  const may = model ? await revisionsRead(asked, model) : [];
  if (!model || may.length === 0) throw notFound('This model');
  const wanted = revision ?? (may === 'all' ? undefined : Math.max(...may));
  if (may !== 'all' && !may.includes(wanted as number)) throw notFound('This model');
  const found = wanted === undefined ? await models.latestRevision(asked.db, modelId) : await models.findRevision(asked.db, modelId, wanted);
  if (!found) throw notFound('This revision of the model');
  return { model, revision: found };
}

export async function modelsRead(asked: RequestContext): Promise<ModelWithRevision[]> {
  if (!isStaff(asked.who)) throw forbidden('The library is for instructors.');
  const list = await models.listModels(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  const withRevision = await Promise.all(list.map(async (model) => ({ model, revision: await models.latestRevision(asked.db, model.id) })));
  return withRevision.flatMap(({ model, revision }) => (revision ? [{ model, revision }] : []));
}

/** The bytes of a mesh as they are read, for whoever may read a revision that is made of it. */
export async function openMeshFile(asked: RequestContext, hash: string): Promise<{ readonly size: number; readonly stream: ReadableStream<Uint8Array> }> {
  for (const { modelId, revision } of await models.revisionsWithMesh(asked.db, hash)) {
    const model = await models.findModel(asked.db, modelId);
    const may = model ? await revisionsRead(asked, model) : [];
    if (may === 'all' || may.includes(revision)) return asked.files.open(hash);
  }
  throw notFound('This model');
}

/** Name, sharing, whether it is put away (what was made on it stays), and home view; the home view is the model's own and makes no new geometry. */
export async function changeModel(
  asked: RequestContext,
  modelId: string,
  change: { name?: string | undefined; shared?: boolean | undefined; archived?: boolean | undefined; home?: View | undefined },
): Promise<void> {
  const model = await modelOwned(asked, modelId);
  const name = nameOf(change.name ?? model.name);
  const archivedAt = change.archived === undefined ? model.archivedAt : change.archived ? asked.now() : null;
  await models.updateModel(asked.db, { id: modelId, name, shared: change.shared ?? model.shared, archivedAt });
  if (change.home) {
    const { home } = change;
    const latest = await models.latestRevision(asked.db, modelId);
    // Attempts refer to a revision and are replayed with its home: another home is another revision of the same mesh.
    if (latest) {
      const next = { ...latest, revision: latest.revision + 1, home };
      await unlessTaken(() => models.addRevision(asked.db, next, [0, 0, 0], asked.now()), changedMeanwhile);
    }
  }
}
