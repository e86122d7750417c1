import type { Knex } from 'knex';

/** Habits of an earlier scheme that came up in an attempt, counted by gesture. Cards kept before have them already. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('attempt_slips', (t) => {
    t.string('attempt_id', 36).notNullable().references('attempts.id').onDelete('cascade');
    t.string('gesture', 80).notNullable();
    t.string('wanted', 40).notNullable();
    t.integer('times').unsigned().notNullable();
    t.primary(['attempt_id', 'gesture', 'wanted']);
  });
  // Gestures that differ by case or accent are different ones.
  await db.raw('alter table attempt_slips modify gesture varchar(80) character set utf8mb4 collate utf8mb4_nopad_bin not null');
  const rows: { id: string; card: string }[] = await db('attempts').where('card', 'like', '%"slips":[%').select('id', 'card');
  for (const { id, card } of rows) {
    const { slips = [] } = JSON.parse(card) as { slips?: { gesture: string; wanted: string; times: number }[] };
    for (const { gesture, wanted, times } of slips) await db('attempt_slips').insert({ attempt_id: id, gesture, wanted, times });
  }
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('attempt_slips');
}
