import type { Database } from '../database';

/** What those who teach note about a learner. */
export interface Note {
  readonly id: string;
  readonly authorId: string;
  readonly author: string;
  readonly words: string;
  readonly madeAt: Date;
}

export async function notesAbout(db: Database, personId: string): Promise<Note[]> {
  const rows: { id: string; author_id: string; name: string; words: string; made_at: Date }[] = await db('learner_notes as n')
    .join('people as p', 'p.id', 'n.author_id')
    .where({ 'n.person_id': personId })
    .orderBy([
      { column: 'n.made_at', order: 'desc' },
      { column: 'n.id', order: 'desc' },
    ])
    .select('n.id', 'n.author_id', 'p.name', 'n.words', 'n.made_at');
  return rows.map((row) => ({ id: row.id, authorId: row.author_id, author: row.name, words: row.words, madeAt: row.made_at }));
}

export async function addNote(db: Database, note: Omit<Note, 'author'> & { readonly personId: string }): Promise<void> {
  await db('learner_notes').insert({ id: note.id, person_id: note.personId, author_id: note.authorId, words: note.words, made_at: note.madeAt });
}

export async function removeNote(db: Database, id: string, authorId: string): Promise<boolean> {
  return (await db('learner_notes').where({ id, author_id: authorId }).delete()) > 0;
}

/** Days by which everything is due later for somebody, and why. */
export interface ExtraTime {
  readonly days: number;
  readonly why: string;
  /** Who gave it; null: they were deleted. */
  readonly by: string | null;
  readonly at: Date;
}

export async function extraTimeOf(db: Database, personId: string): Promise<ExtraTime | null> {
  const row: { days: number; why: string; at: Date; name: string | null } | undefined = await db('extra_time as e')
    .leftJoin('people as p', 'p.id', 'e.by_id')
    .where({ 'e.person_id': personId })
    .first('e.days', 'e.why', 'e.at', 'p.name');
  return row ? { days: row.days, why: row.why, by: row.name, at: row.at } : null;
}

/** The days of each who has some, by person. */
export async function extraDaysOf(db: Database, personIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (personIds.length === 0) return new Map();
  const rows: { person_id: string; days: number }[] = await db('extra_time')
    .whereIn('person_id', [...personIds])
    .select('person_id', 'days');
  return new Map(rows.map((row) => [row.person_id, row.days]));
}

/** Keeps the extra time of a person in place of what they had; none: it is taken away. */
export async function keepExtraTime(db: Database, personId: string, extra: (Omit<ExtraTime, 'by'> & { readonly byId: string }) | null): Promise<void> {
  await db('extra_time').where({ person_id: personId }).delete();
  if (extra) await db('extra_time').insert({ person_id: personId, days: extra.days, why: extra.why, by_id: extra.byId, at: extra.at });
}
