import type { Knex } from 'knex';

/**
 * What is removed from a model can be put back for a while. Only landmarks that are there compete for names: `live` is null in
 * those that were removed, and a unique key counts no nulls.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw('alter table saved_views add column if not exists removed_at datetime(3) null');
  await db.raw('alter table landmarks add column if not exists removed_at datetime(3) null');
  await db.raw('alter table landmarks add column if not exists live tinyint as (if(removed_at is null, 1, null)) persistent');
  await db.raw('alter table landmarks add unique key if not exists landmarks_live (model_id, mesh_hash, name, live)');
  await db.raw('alter table landmarks drop key if exists landmarks_named');
}

export async function down(db: Knex): Promise<void> {
  for (const table of ['saved_views', 'landmarks']) await db(table).whereNotNull('removed_at').delete();
  await db.raw('alter table landmarks add unique key if not exists landmarks_named (model_id, mesh_hash, name)');
  await db.raw('alter table landmarks drop key if exists landmarks_live');
  await db.raw('alter table landmarks drop column if exists live');
  for (const table of ['saved_views', 'landmarks']) await db.raw(`alter table ${table} drop column if exists removed_at`);
}
