import { type Database, literally } from '../database';

/** What belongs to a person and others need: it cannot go with them. */
export interface Owned {
  readonly models: number;
  readonly exercises: number;
  readonly courses: number;
  /** Schemes that others were given or practised with. */
  readonly schemes: number;
}

/** Schemes of a person that a group was given, or that somebody else practised with. */
const schemesInUse = (db: Database, personId: string) =>
  db('schemes')
    .where({ owner_id: personId })
    .where((q) =>
      q.whereIn('id', db('scheme_shares').select('scheme_id')).orWhereIn('id', db('attempts').whereNot({ person_id: personId }).distinct('scheme_id')),
    );

export async function ownedBy(db: Database, personId: string): Promise<Owned> {
  const count = async (query: ReturnType<Database>): Promise<number> => Number((await query.count({ n: '*' }).first())?.n ?? 0);
  const [models, exercises, courses, schemes] = await Promise.all([
    count(db('models').where({ owner_id: personId })),
    count(db('exercises').where({ owner_id: personId })),
    count(db('courses').where({ owner_id: personId })),
    count(schemesInUse(db, personId)),
  ]);
  return { models, exercises, courses, schemes };
}

/** Exercises at which a person's attempts told something. */
export async function exercisesTried(db: Database, personId: string): Promise<string[]> {
  const rows: { exercise_id: string }[] = await db('skill_observations').where({ person_id: personId }).distinct('exercise_id');
  return rows.map((row) => row.exercise_id);
}

/** Passes what others need from one person to another. */
export async function passOn(tx: Database, fromId: string, toId: string): Promise<void> {
  for (const table of ['models', 'exercises', 'courses']) await tx(table).where({ owner_id: fromId }).update({ owner_id: toId });
  const ids: { id: string }[] = await schemesInUse(tx, fromId).select('id');
  const passed = ids.map(({ id }) => id);
  await tx('schemes').whereIn('id', passed).update({ owner_id: toId });
  await tx('scheme_revisions').whereIn('id', passed).update({ owner_id: toId });
  await tx('saved_views').where({ person_id: fromId, for_all: true }).update({ person_id: toId });
}

/** A pattern for a name as it stands in a sentence: not as a part of another word. */
const asWords = (name: string): string => `(?<![\\p{L}\\p{N}])${name.replace(/[.*+?^${}()|[\]\\/-]/g, '\\$&')}(?![\\p{L}\\p{N}])`;

/**
 * Takes a person away with all that is theirs, once what others need is passed on. `lockedBy`: in whose name groups keep the
 * schemes that this person locked for them.
 */
export async function removePerson(
  tx: Database,
  { id, name, signIn }: { readonly id: string; readonly name: string; readonly signIn: string },
  lockedBy: string,
): Promise<void> {
  await tx('scheme_shares').where({ locked_by: id }).update({ locked_by: lockedBy });
  // What hangs on an attempt goes with it: its steps, criteria, slips, comments, and what it told of skills.
  await tx('attempts').where({ person_id: id }).delete();
  await tx('schemes').where({ owner_id: id }).delete();
  await tx('scheme_revisions').where({ owner_id: id }).delete();
  // Others were told of what they did, by name.
  await tx('notices')
    .whereRaw('words like ?', [`%${literally(name)}%`])
    .update({ words: tx.raw('regexp_replace(words, ?, ?)', [asWords(name), 'Somebody']) });
  await tx('limits')
    .whereRaw('`key` like ?', [`account:${literally(signIn)} %`])
    .delete();
  // The rest has the person as its key, or is set to nobody, by the foreign keys.
  await tx('people').where({ id }).delete();
}
