import type { Database } from '../database';

/** Something that a person is told once. */
export interface Notice {
  readonly id: string;
  readonly words: string;
  readonly madeAt: Date;
  /** Who wrote it; null: the program tells it. */
  readonly from: { readonly id: string; readonly name: string } | null;
}

/** A person is told at most this many things; older ones are left out. */
const MOST = 20;
/** Most characters of one. */
export const LONGEST = 400;

export async function addNotices(
  db: Database,
  notices: readonly (Omit<Notice, 'from'> & { readonly personId: string; readonly fromId?: string })[],
): Promise<void> {
  if (notices.length === 0) return;
  await db('notices').insert(
    notices.map(({ id, personId, words, madeAt, fromId = null }) => ({
      id,
      person_id: personId,
      words: words.slice(0, LONGEST),
      made_at: madeAt,
      from_id: fromId,
    })),
  );
}

/** Newest first. */
export async function noticesOf(db: Database, personId: string): Promise<Notice[]> {
  const rows: { id: string; words: string; made_at: Date; from_id: string | null; name: string | null }[] = await db('notices as n')
    .leftJoin('people as p', 'p.id', 'n.from_id')
    .where({ 'n.person_id': personId })
    .orderBy('n.made_at', 'desc')
    .orderBy('n.id')
    .limit(MOST)
    .select('n.id', 'n.words', 'n.made_at', 'n.from_id', 'p.name');
  return rows.map((row) => ({ id: row.id, words: row.words, madeAt: row.made_at, from: row.from_id && row.name ? { id: row.from_id, name: row.name } : null }));
}

export async function removeNotice(db: Database, personId: string, id: string): Promise<boolean> {
  return (await db('notices').where({ id, person_id: personId }).delete()) > 0;
}
