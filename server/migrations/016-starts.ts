import type { Knex } from 'knex';

/** How far off a view was where its step began: what schemes are compared by. Of earlier attempts it is not known. */
export async function up(db: Knex): Promise<void> {
  if (!(await db.schema.hasColumn('attempt_criteria', 'start_value')))
    await db.schema.alterTable('attempt_criteria', (t) => void t.double('start_value').nullable());
}

export async function down(db: Knex): Promise<void> {
  if (await db.schema.hasColumn('attempt_criteria', 'start_value')) await db.schema.alterTable('attempt_criteria', (t) => t.dropColumn('start_value'));
}
