import type { Database } from '../database';

/** A page in which an exercise is being edited. */
export interface Editor {
  readonly personId: string;
  readonly name: string;
}

interface Place {
  readonly exerciseId: string;
  readonly page: string;
}

/** Notes that the page is open; pages that were not heard of since `gone` are forgotten. */
export async function editedHere(db: Database, { exerciseId, page }: Place, personId: string, now: Date, gone: Date): Promise<void> {
  await db('editing').insert({ exercise_id: exerciseId, page, person_id: personId, seen_at: now }).onConflict(['exercise_id', 'page']).merge(['seen_at']);
  await db('editing').where({ exercise_id: exerciseId }).where('seen_at', '<', gone).delete();
}

export async function leftHere(db: Database, { exerciseId, page }: Place, personId: string): Promise<void> {
  await db('editing').where({ exercise_id: exerciseId, page, person_id: personId }).delete();
}

/** Who edits an exercise in other pages, by name. */
export async function othersAt(db: Database, { exerciseId, page }: Place, since: Date): Promise<Editor[]> {
  const rows: { person_id: string; name: string }[] = await db('editing as e')
    .join('people as p', 'p.id', 'e.person_id')
    .where('e.exercise_id', exerciseId)
    .whereNot('e.page', page)
    .where('e.seen_at', '>=', since)
    .groupBy('p.id', 'p.name')
    .orderBy('p.name')
    .select('p.id as person_id', 'p.name');
  return rows.map(({ person_id, name }) => ({ personId: person_id, name }));
}
