import type { Knex } from 'knex';

const ID = 36;

/** Schemes that people make: whose they are, and which groups they are shared with or locked for. Their contents are revisions. */
export async function up(db: Knex): Promise<void> {
  await db.schema.createTable('schemes', (t) => {
    t.string('id', 64).primary();
    t.string('owner_id', ID).notNullable().references('people.id');
    t.datetime('removed_at', { precision: 3 }).nullable();
    t.datetime('created_at', { precision: 3 }).notNullable();
    t.index(['owner_id', 'removed_at']);
  });
  await db.schema.createTable('scheme_shares', (t) => {
    t.string('scheme_id', 64).notNullable().references('schemes.id').onDelete('cascade');
    t.string('group_id', ID).notNullable().references('groups.id').onDelete('cascade');
    t.string('locked_by', ID).nullable().references('people.id');
    t.primary(['scheme_id', 'group_id']);
  });
}

export async function down(db: Knex): Promise<void> {
  await db.schema.dropTableIfExists('scheme_shares');
  await db.schema.dropTableIfExists('schemes');
}
