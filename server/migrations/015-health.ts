import type { Knex } from 'knex';

const ID = 36;

/** What attempts tell of each published version, and which exercises it has to be told anew of. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasTable('exercise_stats')))
    await db.schema.createTable('exercise_stats', (t) => {
      t.string('exercise_id', ID).notNullable();
      t.integer('version').unsigned().notNullable();
      t.integer('attempts').unsigned().notNullable();
      t.integer('learners').unsigned().notNullable();
      t.double('first_mean').notNullable();
      t.double('discrimination').nullable();
      t.double('median_seconds').notNullable();
      t.json('losses').notNullable();
      t.primary(['exercise_id', 'version']);
      t.foreign(['exercise_id', 'version']).references(['exercise_id', 'version']).inTable('exercise_versions').onDelete('cascade');
    });
  if (!(await db.schema.hasTable('stale_stats'))) {
    await db.schema.createTable('stale_stats', (t) => {
      t.string('exercise_id', ID).primary().references('exercises.id').onDelete('cascade');
      t.integer('changes').unsigned().notNullable().defaultTo(1).comment('since it was last counted');
    });
    // What was handed in before is told of by the first run.
    await db.raw('insert into stale_stats (exercise_id) select distinct exercise_id from attempts where handed_in_at is not null');
  }
}

export async function down(db: Knex): Promise<void> {
  for (const name of ['stale_stats', 'exercise_stats']) await db.schema.dropTableIfExists(name);
}
