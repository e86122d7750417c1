import type { Database } from '../database';

/** Something that a person is told once. */
export interface Notice {
  readonly id: string;
  readonly words: string;
  readonly madeAt: Date;
}

/** A person is told at most this many things; older ones are left out. */
const MOST = 20;

export async function addNotices(db: Database, notices: readonly (Notice & { readonly personId: string })[]): Promise<void> {
  if (notices.length === 0) return;
  await db('notices').insert(notices.map(({ id, personId, words, madeAt }) => ({ id, person_id: personId, words: words.slice(0, 400), made_at: madeAt })));
}

/** Newest first. */
export async function noticesOf(db: Database, personId: string): Promise<Notice[]> {
  const rows = await db('notices').where({ person_id: personId }).orderBy('made_at', 'desc').orderBy('id').limit(MOST).select('id', 'words', 'made_at');
  return rows.map((row) => ({ id: row.id, words: row.words, madeAt: row.made_at }));
}

export async function removeNotice(db: Database, personId: string, id: string): Promise<boolean> {
  return (await db('notices').where({ id, person_id: personId }).delete()) > 0;
}
