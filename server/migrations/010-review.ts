import type { Knex } from 'knex';

const ID = 36;

/** What is said about attempts, at a moment of them, and what an instructor decides about one. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasTable('comments'))) {
    await db.schema.createTable('comments', (t) => {
      t.string('id', ID).primary();
      t.string('attempt_id', ID).notNullable().references('attempts.id').onDelete('cascade');
      t.string('author_id', ID).notNullable().references('people.id').onDelete('cascade');
      /** The comment that it answers. */
      t.string('answers_id', ID).nullable().references('comments.id').onDelete('cascade');
      t.double('t').notNullable();
      t.json('point').nullable();
      t.string('words', 2000).notNullable();
      t.datetime('made_at', { precision: 3 }).notNullable();
      t.datetime('edited_at', { precision: 3 }).nullable();
      t.datetime('understood_at', { precision: 3 }).nullable();
      t.index(['attempt_id', 'made_at']);
    });
  }
  if (!(await db.schema.hasTable('comment_reads'))) {
    await db.schema.createTable('comment_reads', (t) => {
      t.string('comment_id', ID).notNullable().references('comments.id').onDelete('cascade');
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.primary(['comment_id', 'person_id']);
    });
  }
  if (!(await db.schema.hasColumn('attempts', 'left_out_at'))) {
    await db.schema.alterTable('attempts', (t) => {
      t.string('left_out_why', 400).nullable();
      t.string('left_out_by', ID).nullable().references('people.id').onDelete('set null');
      t.datetime('left_out_at', { precision: 3 }).nullable();
      t.double('set_score').nullable();
      t.string('set_why', 400).nullable();
      t.string('set_by', ID).nullable().references('people.id').onDelete('set null');
      t.datetime('set_at', { precision: 3 }).nullable();
    });
  }
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('attempts', (t) => {
    t.dropForeign(['left_out_by']);
    t.dropForeign(['set_by']);
  });
  await db.schema.alterTable('attempts', (t) => t.dropColumns('left_out_why', 'left_out_by', 'left_out_at', 'set_score', 'set_why', 'set_by', 'set_at'));
  for (const table of ['comment_reads', 'comments']) await db.schema.dropTableIfExists(table);
}
