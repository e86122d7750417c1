import type { Knex } from 'knex';

const ID = 36;

/** Views kept under a name: an instructor's for all who see the model, and everyone's own. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('saved_views', (t) => {
    t.string('id', ID).primary();
    t.string('model_id', ID).notNullable().references('models.id').onDelete('cascade');
    t.string('person_id', ID).notNullable().references('people.id').onDelete('cascade');
    t.boolean('for_all').notNullable();
    t.integer('position').notNullable();
    t.string('name', 60).notNullable();
    t.string('about', 300).notNullable();
    t.specificType('scene', 'longtext').notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
    t.index(['model_id', 'person_id']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('saved_views');
}
