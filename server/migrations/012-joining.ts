import type { Knex } from 'knex';

const ID = 36;

/** Codes by which trainees join a group by themselves, and who did. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasTable('join_codes')))
    await db.schema.createTable('join_codes', (t) => {
      t.string('group_id', ID).primary().references('groups.id').onDelete('cascade');
      t.string('code', 12).notNullable().unique();
      t.string('made_by', ID).nullable().references('people.id').onDelete('set null');
      t.datetime('made_at', { precision: 3 }).notNullable();
      t.datetime('expires_at', { precision: 3 }).notNullable();
    });
  if (!(await db.schema.hasColumn('memberships', 'joined_at')))
    await db.schema.alterTable('memberships', (t) => t.datetime('joined_at', { precision: 3 }).nullable().comment('by a code; null: was added'));
}

export async function down(db: Knex): Promise<void> {
  await db.schema.alterTable('memberships', (t) => t.dropColumn('joined_at'));
  await db.schema.dropTableIfExists('join_codes');
}
