import type { Knex } from 'knex';

/** What a group's page reads of each attempt stands in an index of its own: the rows, wide with traces and cards, are not opened for it. */
export async function up(db: Knex): Promise<void> {
  await db.raw('create index if not exists attempts_in_brief on attempts (person_id, handed_in_at, id, exercise_id, version, score, flashes, seconds, counts)');
  await db.raw('drop index if exists attempts_person_id_handed_in_at_index on attempts');
}

export async function down(db: Knex): Promise<void> {
  await db.raw('create index if not exists attempts_person_id_handed_in_at_index on attempts (person_id, handed_in_at)');
  await db.raw('drop index if exists attempts_in_brief on attempts');
}
