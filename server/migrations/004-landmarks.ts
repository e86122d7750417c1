import type { Knex } from 'knex';

const ID = 36;

/** Named places of a model. They belong to its geometry, so that all revisions made of one mesh have the same. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('landmarks', (t) => {
    t.string('id', ID).primary();
    t.string('model_id', ID).notNullable().references('models.id').onDelete('cascade');
    t.string('mesh_hash', 64).notNullable();
    t.string('name', 60).notNullable();
    t.json('place').notNullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
    t.index(['model_id', 'mesh_hash']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('landmarks');
}
