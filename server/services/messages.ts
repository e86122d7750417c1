import { transact } from '../database';
import { invalid, notFound } from '../errors';
import { newId } from '../ids';
import { addNotices, LONGEST, type Notice, noticesOf, removeNotice } from '../repositories/notices';
import type { RequestContext } from '../service';
import { isStaff, personSeen } from './people';

/** What the one who asks is told, by the program and by people; newest first. */
export const noticesRead = (asked: RequestContext): Promise<Notice[]> => noticesOf(asked.db, asked.who.id);

/** It was read: it is not told again. */
export async function noticeRead(asked: RequestContext, id: string): Promise<void> {
  if (!(await removeNotice(asked.db, asked.who.id, id))) throw notFound('This message');
}

function wordsOf(text: string): string {
  const words = text.trim();
  if (words === '' || words.length > LONGEST) throw invalid(`Write 1 to ${LONGEST} characters.`, 'words');
  return words;
}

/** Writes to people whom the one who asks teaches: each finds it under Today. */
export async function writeTo(asked: RequestContext, personIds: readonly string[], text: string): Promise<void> {
  const words = wordsOf(text);
  for (const personId of personIds) if (!isStaff(asked.who) || (await personSeen(asked, personId)).id === asked.who.id) throw notFound('This person');
  await addNotices(
    asked.db,
    personIds.map((personId) => ({ id: newId(), personId, words, madeAt: asked.now(), fromId: asked.who.id })),
  );
}

/** Answers what a person wrote; it is read with that. */
export async function answerTo(asked: RequestContext, id: string, text: string): Promise<void> {
  const words = wordsOf(text);
  const written = (await noticesOf(asked.db, asked.who.id)).find((notice) => notice.id === id);
  if (!written?.from) throw notFound('This message');
  const { from } = written;
  await transact(asked.db, async (tx) => {
    await removeNotice(tx, asked.who.id, id);
    await addNotices(tx, [{ id: newId(), personId: from.id, words, madeAt: asked.now(), fromId: asked.who.id }]);
  });
}
