import { boxOf, type Mesh, usualHome, type View } from '@core';
import { AS_IT_IS, decodeMesh, encodeMesh, FormatError, type NamedBytes, type Placement, placeMesh, readModel } from '@formats';
import { forbidden, invalid, notFound } from '../errors';
import { newId } from '../ids';
import { nameOf } from '../names';
import { addLandmark, listLandmarks } from '../repositories/landmarks';
import * as models from '../repositories/models';
import type { Asked, Service } from '../service';
import { isStaff } from './people';

const KEPT_OPEN = 6;
const open = new Map<string, Mesh>();

/** A mesh by the hash of its file; the last few stay open. */
export async function meshOf(service: Service, hash: string): Promise<Mesh> {
  const known = open.get(hash);
  if (known) {
    open.delete(hash);
    open.set(hash, known);
    return known;
  }
  const mesh = decodeMesh(await service.files.read(hash));
  open.set(hash, mesh);
  const oldest = open.keys().next().value;
  if (open.size > KEPT_OPEN && oldest) open.delete(oldest);
  return mesh;
}

async function readFiles(files: readonly NamedBytes[]): Promise<{ mesh: Mesh; warnings: string[]; name: string }> {
  const main = files.find((file) => /\.(glb|gltf)$/i.test(file.name)) ?? files[0];
  if (!main) throw invalid('Choose a .glb file, or a .gltf file together with its .bin files.', 'files');
  try {
    const read = await readModel(
      main,
      files.filter((file) => file !== main),
    );
    return { ...read, name: main.name };
  } catch (error) {
    if (error instanceof FormatError) throw invalid(error.message, 'files');
    throw error;
  }
}

export interface ModelWithRevision {
  readonly model: models.Model;
  readonly revision: models.ModelRevision;
}

/** Imports a model: the file is read, checked, placed and kept as a canonical mesh. Nothing is kept when it fails. */
export async function importModel(
  asked: Asked,
  input: { name: string; files: readonly NamedBytes[]; placement?: Placement; home?: View | undefined },
): Promise<ModelWithRevision> {
  if (!isStaff(asked.who)) throw forbidden('Only instructors import models.');
  const name = nameOf(input.name);
  const model: models.Model = { id: newId(), ownerId: asked.who.id, name, shared: false };
  const { revision, offset } = await makeRevision(asked, model.id, 1, input);
  await asked.db.transaction(async (tx) => {
    await models.addModel(tx, model, asked.now());
    await models.addRevision(tx, revision, offset, asked.now());
  });
  return { model, revision };
}

/** New geometry or axes for a model: a new revision; exercises keep the one they were made on. */
export async function reviseModel(
  asked: Asked,
  modelId: string,
  input: { files: readonly NamedBytes[]; placement: Placement; home?: View | undefined },
): Promise<ModelWithRevision> {
  const model = await modelOwned(asked, modelId);
  const latest = await models.latestRevision(asked.db, modelId);
  const { revision: made, offset } = await makeRevision(asked, modelId, (latest?.revision ?? 0) + 1, input);
  const left = latest ? await carryLandmarks(asked, latest, made) : [];
  const warnings =
    left.length > 0 ? [...made.summary.warnings, `Mark these landmarks again, their places may have moved: ${left.join(', ')}.`] : made.summary.warnings;
  const revision = { ...made, summary: { ...made.summary, warnings } };
  await models.addRevision(asked.db, revision, offset, asked.now());
  return { model, revision };
}

/** Takes landmarks over to other geometry of a model: those that name a part which is still there. Returns the names of those left behind. */
async function carryLandmarks(asked: Asked, from: models.ModelRevision, to: models.ModelRevision): Promise<string[]> {
  if (from.meshHash === to.meshHash) return [];
  const parts = new Set((await meshOf(asked, to.meshHash)).parts.map((part) => part.id));
  const known = new Set((await listLandmarks(asked.db, to.modelId, to.meshHash)).map((mark) => mark.name));
  const left: string[] = [];
  for (const mark of await listLandmarks(asked.db, from.modelId, from.meshHash)) {
    if (known.has(mark.name)) continue;
    // Where a face or a point lies in other geometry cannot be known.
    if (mark.kind === 'part' && parts.has(mark.part)) await addLandmark(asked.db, { ...mark, id: newId(), meshHash: to.meshHash }, asked.now());
    else left.push(mark.name);
  }
  return left;
}

async function makeRevision(
  asked: Asked,
  modelId: string,
  number: number,
  input: { files: readonly NamedBytes[]; placement?: Placement; home?: View | undefined },
): Promise<{ revision: models.ModelRevision; offset: readonly number[] }> {
  const { mesh: read, warnings, name } = await readFiles(input.files);
  const placement = input.placement ?? AS_IT_IS;
  const { mesh, offset } = placeMesh(read, placement);
  const box = boxOf(mesh);
  if (!box) throw invalid('The model holds no triangles.', 'files');
  const size: [number, number, number] = [box.max[0] - box.min[0], box.max[1] - box.min[1], box.max[2] - box.min[2]];
  if (Math.max(...size) < 1e-4) throw invalid('The model is smaller than a tenth of a millimetre: choose a larger unit.', 'placement');
  if (Math.max(...size) > 1e5) throw invalid('The model is larger than 100 km: choose a smaller unit.', 'placement');
  const revision: models.ModelRevision = {
    modelId,
    revision: number,
    meshHash: await asked.files.keep(encodeMesh(mesh)),
    home: input.home ?? usualHome(mesh),
    summary: { triangles: mesh.indices.length / 3, parts: mesh.parts.length, size, file: name.slice(0, 200), warnings },
    placement,
  };
  return { revision, offset };
}

async function modelOwned(asked: Asked, modelId: string): Promise<models.Model> {
  const model = await models.findModel(asked.db, modelId);
  if (!model || !(await mayRead(asked, model))) throw notFound('This model');
  if (!ownsModel(asked, model)) throw forbidden('This model belongs to someone else: copy it to change it.');
  return model;
}

/** Whether the one who asks may change a model. */
export const ownsModel = (asked: Asked, model: models.Model): boolean => asked.who.role === 'lead' || model.ownerId === asked.who.id;

async function mayRead(asked: Asked, model: models.Model): Promise<boolean> {
  if (asked.who.role === 'lead') return true;
  if (asked.who.role === 'instructor') return model.shared || model.ownerId === asked.who.id;
  return models.assignedOn(asked.db, asked.who.id, [model.id]);
}

/** A model in one revision, or its newest. */
export async function modelRead(asked: Asked, modelId: string, revision?: number): Promise<ModelWithRevision> {
  const model = await models.findModel(asked.db, modelId);
  if (!model || !(await mayRead(asked, model))) throw notFound('This model');
  const found = revision === undefined ? await models.latestRevision(asked.db, modelId) : await models.findRevision(asked.db, modelId, revision);
  if (!found) throw notFound('This revision of the model');
  return { model, revision: found };
}

export async function modelsRead(asked: Asked): Promise<ModelWithRevision[]> {
  if (!isStaff(asked.who)) throw forbidden('The library is for instructors.');
  const list = await models.listModels(asked.db, asked.who.role === 'lead' ? null : asked.who.id);
  const withRevision = await Promise.all(list.map(async (model) => ({ model, revision: await models.latestRevision(asked.db, model.id) })));
  return withRevision.flatMap(({ model, revision }) => (revision ? [{ model, revision }] : []));
}

/** The bytes of a mesh, for whoever may read a model made of it. */
export async function meshBytes(asked: Asked, hash: string): Promise<Uint8Array> {
  for (const id of await models.modelsWithMesh(asked.db, hash)) {
    const model = await models.findModel(asked.db, id);
    if (model && (await mayRead(asked, model))) return asked.files.read(hash);
  }
  throw notFound('This model');
}

/** Name, sharing and home view; the home view is the model's own and makes no new geometry. */
export async function changeModel(
  asked: Asked,
  modelId: string,
  change: { name?: string | undefined; shared?: boolean | undefined; home?: View | undefined },
): Promise<void> {
  const model = await modelOwned(asked, modelId);
  const name = nameOf(change.name ?? model.name);
  await models.updateModel(asked.db, { id: modelId, name, shared: change.shared ?? model.shared });
  if (change.home) {
    const latest = await models.latestRevision(asked.db, modelId);
    // Attempts refer to a revision and are replayed with its home: another home is another revision of the same mesh.
    if (latest) await models.addRevision(asked.db, { ...latest, revision: latest.revision + 1, home: change.home }, [0, 0, 0], asked.now());
  }
}
