import type { Knex } from 'knex';

const ID = 36;

/** Pages in which an exercise is being edited just now. */
export async function up(db: Knex): Promise<void> {
  if (await db.schema.hasTable('editing')) return;
  await db.schema.createTable('editing', (t) => {
    t.string('exercise_id', ID).notNullable().references('exercises.id').onDelete('cascade');
    t.string('page', 40).notNullable();
    t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
    t.datetime('seen_at', { precision: 3 }).notNullable();
    t.primary(['exercise_id', 'page']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('editing');
}
