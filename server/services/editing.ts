import { forbidden } from '../errors';
import { editedHere, leftHere, othersAt } from '../repositories/editing';
import type { RequestContext } from '../service';
import { draftRead } from './exercises';

/** A page tells of itself more often than this, seconds: one that was not heard of so long is closed. */
const GONE = 45;

/** Somebody who edits the same exercise. */
export interface OtherEditor {
  readonly name: string;
  /** The one who asks, in another window or on another machine. */
  readonly you: boolean;
}

/** Notes that the one who asks edits an exercise in a page, or left it, and tells who else does. */
export async function editing(asked: RequestContext, exerciseId: string, page: string, left: boolean): Promise<OtherEditor[]> {
  const { mine } = await draftRead(asked, exerciseId);
  if (!mine) throw forbidden('This exercise belongs to someone else: copy it to change it.');
  const place = { exerciseId, page };
  if (left) {
    await leftHere(asked.db, place, asked.who.id);
    return [];
  }
  const gone = new Date(asked.now().getTime() - GONE * 1000);
  await editedHere(asked.db, place, asked.who.id, asked.now(), gone);
  const others = await othersAt(asked.db, place, gone);
  return others.map(({ personId, name }) => ({ name, you: personId === asked.who.id }));
}
