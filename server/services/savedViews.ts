import type { KeptScene } from '@core';
import { transact } from '../database';
import { forbidden, invalid, notFound } from '../errors';
import { newId } from '../ids';
import { nameOf } from '../names';
import { lockPerson } from '../repositories/people';
import { lastRemoved, putBack, type Removed, remove } from '../repositories/removal';
import * as views from '../repositories/savedViews';
import type { RequestContext } from '../service';
import { getModel, ownsModel } from './models';

/** A person keeps at most this many views of one model. */
const MOST = 200;

export interface SavedViewSeen {
  readonly id: string;
  readonly name: string;
  readonly about: string;
  readonly forAll: boolean;
  /** Whether the one who asks may change it. */
  readonly mine: boolean;
  readonly scene: KeptScene;
}

const named = (text: string): string => nameOf(text, 60, 'Give the view a name of 1 to 60 characters.');

function described(text: string): string {
  const about = text.trim();
  if (about.length > 300) throw invalid('Describe it in at most 300 characters.', 'about');
  return about;
}

/** Views of a model that the one who asks may see, in order. */
export async function savedViewsRead(asked: RequestContext, modelId: string): Promise<SavedViewSeen[]> {
  await getModel(asked, modelId);
  const list = await views.listSavedViews(asked.db, modelId, asked.who.id);
  return list.map(({ id, name, about, forAll, scene, personId }) => ({ id, name, about, forAll, scene, mine: personId === asked.who.id }));
}

/** Keeps a view under a name. Only those who may change the model keep views for all. */
export async function saveView(
  asked: RequestContext,
  modelId: string,
  input: { name: string; about: string; forAll: boolean; scene: KeptScene },
): Promise<{ id: string }> {
  const { model } = await getModel(asked, modelId);
  if (input.forAll && !ownsModel(asked, model)) throw forbidden('Views for everybody are made by the one whose model it is. Keep it for yourself instead.');
  const name = named(input.name);
  const about = described(input.about);
  const id = newId();
  await transact(asked.db, async (tx) => {
    await lockPerson(tx, asked.who.id);
    const own = (await views.listSavedViews(tx, modelId, asked.who.id)).filter((view) => view.personId === asked.who.id);
    if (own.length >= MOST) throw invalid(`You keep ${MOST} views of this model already: remove one first.`, 'name');
    const position = Math.max(-1, ...own.map((each) => each.position)) + 1;
    await views.addSavedView(tx, { id, modelId, personId: asked.who.id, forAll: input.forAll, position, name, about, scene: input.scene }, asked.now());
  });
  return { id };
}

/** The view of one's own that one removed last, while it can be put back. */
export const viewRemoved = (asked: RequestContext, modelId: string): Promise<Removed | null> =>
  lastRemoved(asked.db, 'saved_views', { model_id: modelId, person_id: asked.who.id }, asked.now());

async function ownView(asked: RequestContext, id: string, removed = false): Promise<views.SavedView> {
  const view = await views.findSavedView(asked.db, id);
  if (!view || view.removed !== removed || (view.personId !== asked.who.id && !view.forAll)) throw notFound('This view');
  await getModel(asked, view.modelId);
  if (view.personId !== asked.who.id) throw forbidden('This view belongs to someone else: save one of your own.');
  return view;
}

/** Another name, description or scene. */
export async function changeView(
  asked: RequestContext,
  id: string,
  change: { name?: string | undefined; about?: string | undefined; scene?: KeptScene | undefined },
): Promise<void> {
  await ownView(asked, id);
  await views.updateSavedView(asked.db, id, {
    ...(change.name === undefined ? {} : { name: named(change.name) }),
    ...(change.about === undefined ? {} : { about: described(change.about) }),
    ...(change.scene ? { scene: change.scene } : {}),
  });
}

/** Moves a view one place up or down among those it stands with. */
export async function moveView(asked: RequestContext, id: string, by: 1 | -1): Promise<void> {
  const view = await ownView(asked, id);
  const own = (await views.listSavedViews(asked.db, view.modelId, asked.who.id)).filter((v) => v.personId === asked.who.id && v.forAll === view.forAll);
  const at = own.findIndex((v) => v.id === id);
  const other = own[at + by];
  if (!other) return;
  own[at + by] = view;
  own[at] = other;
  await transact(asked.db, async (tx) => {
    for (const [position, each] of own.entries()) await views.setPosition(tx, each.id, position);
  });
}

export async function removeView(asked: RequestContext, id: string): Promise<void> {
  await remove(asked.db, 'saved_views', await ownView(asked, id), asked.now());
}

/** Puts a view back that was removed, at its place. */
export async function putViewBack(asked: RequestContext, id: string): Promise<void> {
  await ownView(asked, id, true);
  await putBack(asked.db, 'saved_views', id);
}
