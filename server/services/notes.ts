import { FRESH, transact } from '../database';
import { invalid, notFound } from '../errors';
import { newId } from '../ids';
import { writeDown } from '../repositories/audit';
import * as notes from '../repositories/notes';
import { addNotices } from '../repositories/notices';
import type { Person, RequestContext } from '../service';
import { isStaff, personSeen } from './people';

const LONGEST = 2000;
const LONGEST_REASON = 200;

/** A learner of the one who asks: nobody notes anything about themselves. */
async function learnerOf(asked: RequestContext, personId: string): Promise<Person> {
  const person = await personSeen(asked, personId);
  if (!isStaff(asked.who) || person.id === asked.who.id) throw notFound('This person');
  return person;
}

/** What those who teach noted about a learner, newest first; the learner never sees it. */
export async function notesAbout(asked: RequestContext, personId: string): Promise<(notes.Note & { readonly mine: boolean })[]> {
  await learnerOf(asked, personId);
  return (await notes.notesAbout(asked.db, personId)).map((note) => ({ ...note, mine: note.authorId === asked.who.id }));
}

export async function addNote(asked: RequestContext, personId: string, text: string): Promise<string> {
  await learnerOf(asked, personId);
  const words = text.trim();
  if (words === '' || words.length > LONGEST) throw invalid(`Write 1 to ${LONGEST} characters.`, 'words');
  const id = newId();
  await notes.addNote(asked.db, { id, personId, authorId: asked.who.id, words, madeAt: asked.now() });
  return id;
}

/** Takes away a note of one's own. */
export async function removeNote(asked: RequestContext, id: string): Promise<void> {
  if (!(await notes.removeNote(asked.db, id, asked.who.id))) throw notFound('This note');
}

export async function extraTimeOf(asked: RequestContext, personId: string): Promise<notes.ExtraTime | null> {
  await learnerOf(asked, personId);
  return notes.extraTimeOf(asked.db, personId);
}

/** Makes everything due so many days later for one learner, with a reason that they are told; no days: as for the others again. */
export async function giveExtraTime(asked: RequestContext, personId: string, { days, why }: { readonly days: number; readonly why: string }): Promise<void> {
  await learnerOf(asked, personId);
  const reason = why.trim();
  if (days > 0 && (reason === '' || reason.length > LONGEST_REASON)) throw invalid('Write why: the learner sees it.', 'why');
  await transact(
    asked.db,
    async (tx) => {
      await notes.keepExtraTime(tx, personId, days > 0 ? { days, why: reason, byId: asked.who.id, at: asked.now() } : null);
      await writeDown(tx, { what: 'extra-time', byId: asked.who.id, aboutId: personId, facts: { days, why: reason } }, asked.now());
      const words =
        days > 0
          ? `You have ${days} more ${days === 1 ? 'day' : 'days'} for everything: ${reason}${/[.!?]$/.test(reason) ? '' : '.'}`
          : 'Everything is due for you as for the others again.';
      await addNotices(tx, [{ id: newId(), personId, words, madeAt: asked.now() }]);
    },
    FRESH,
  );
}
