import type { Knex } from 'knex';

const ID = 36;

/** Drafts with their revisions, so that two who change one are brought together; what is put away; what does not count; what people are told. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasColumn('exercises', 'draft_revision'))) {
    await db.schema.alterTable('exercises', (t) => {
      t.integer('draft_revision').unsigned().notNullable().defaultTo(1);
      t.datetime('archived_at', { precision: 3 }).nullable();
    });
  }
  if (!(await db.schema.hasColumn('models', 'archived_at')))
    await db.schema.alterTable('models', (t) => t.datetime('archived_at', { precision: 3 }).nullable());
  if (!(await db.schema.hasColumn('attempts', 'counts'))) await db.schema.alterTable('attempts', (t) => t.boolean('counts').notNullable().defaultTo(true));
  if (!(await db.schema.hasTable('exercise_drafts'))) {
    await db.schema.createTable('exercise_drafts', (t) => {
      t.string('exercise_id', ID).notNullable().references('exercises.id').onDelete('cascade');
      t.integer('revision').unsigned().notNullable();
      t.specificType('draft', 'longtext').notNullable();
      t.string('window', 40).notNullable();
      t.datetime('saved_at', { precision: 3 }).notNullable();
      t.primary(['exercise_id', 'revision']);
    });
  }
  if (!(await db.schema.hasTable('notices'))) {
    await db.schema.createTable('notices', (t) => {
      t.string('id', ID).primary();
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.string('words', 400).notNullable();
      t.datetime('made_at', { precision: 3 }).notNullable();
      t.index(['person_id', 'made_at']);
    });
  }
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('notices');
  await db.schema.dropTableIfExists('exercise_drafts');
  await db.schema.alterTable('attempts', (t) => t.dropColumn('counts'));
  await db.schema.alterTable('models', (t) => t.dropColumn('archived_at'));
  await db.schema.alterTable('exercises', (t) => {
    t.dropColumn('draft_revision');
    t.dropColumn('archived_at');
  });
}
