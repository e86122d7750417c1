import type { Knex } from 'knex';

const ID = 36;

/** Exercises that are given to a person by themselves, beside those of the groups. */
export async function up(db: Knex): Promise<void> {
  if (await db.schema.hasTable('exercises_given')) return;
  await db.schema.createTable('exercises_given', (t) => {
    t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
    t.string('exercise_id', ID).notNullable();
    t.integer('version').unsigned().notNullable();
    t.date('due_on').nullable();
    t.datetime('given_at', { precision: 3 }).notNullable();
    t.primary(['person_id', 'exercise_id']);
    t.foreign(['exercise_id', 'version']).references(['exercise_id', 'version']).inTable('exercise_versions');
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('exercises_given');
}
