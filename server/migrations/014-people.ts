import type { Knex } from 'knex';

const ID = 36;

/** People who are kept out, what is noted and written about and to them, more time for one of them, and who changed what. */
export async function up(db: Knex): Promise<void> {
  const made = (name: string): Promise<boolean> => db.schema.hasTable(name);
  if (!(await db.schema.hasColumn('people', 'deactivated_at')))
    await db.schema.alterTable('people', (t) => t.datetime('deactivated_at', { precision: 3 }).nullable());
  if (!(await db.schema.hasColumn('notices', 'from_id')))
    await db.schema.alterTable('notices', (t) => {
      t.string('from_id', ID).nullable().references('people.id').onDelete('cascade').comment('who wrote it; null: the program tells it');
    });
  if (!(await made('learner_notes')))
    await db.schema.createTable('learner_notes', (t) => {
      t.string('id', ID).primary();
      t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.string('author_id', ID).notNullable().references('people.id').onDelete('cascade');
      t.text('words').notNullable();
      t.datetime('made_at', { precision: 3 }).notNullable();
      t.index(['person_id', 'made_at']);
    });
  if (!(await made('extra_time')))
    await db.schema.createTable('extra_time', (t) => {
      t.string('person_id', ID).primary().references('people.id').onDelete('cascade');
      t.integer('days').notNullable().comment('by which everything is due later');
      t.string('why', 400).notNullable();
      t.string('by_id', ID).nullable().references('people.id').onDelete('set null');
      t.datetime('at', { precision: 3 }).notNullable();
    });
  if (!(await made('audit')))
    await db.schema.createTable('audit', (t) => {
      t.string('id', ID).primary();
      t.datetime('at', { precision: 3 }).notNullable();
      t.string('by_id', ID).nullable().references('people.id').onDelete('set null');
      t.string('about_id', ID).nullable().references('people.id').onDelete('set null');
      t.string('what', 40).notNullable();
      t.json('facts').notNullable().comment('no names of people: those go with them');
      t.index(['at', 'id']);
    });
}

export async function down(db: Knex): Promise<void> {
  for (const name of ['audit', 'extra_time', 'learner_notes']) await db.schema.dropTableIfExists(name);
  await db.schema.alterTable('notices', (t) => {
    t.dropForeign(['from_id']);
    t.dropColumn('from_id');
  });
  await db.schema.alterTable('people', (t) => t.dropColumn('deactivated_at'));
}
