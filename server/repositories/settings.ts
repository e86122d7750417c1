import type { Database } from '../database';

export async function readSetting(db: Database, name: string): Promise<string | null> {
  const row = await db('settings').where({ name }).first('value');
  return row?.value ?? null;
}

export async function writeSetting(db: Database, name: string, value: string): Promise<void> {
  await db('settings').insert({ name, value }).onConflict('name').merge();
}

/** Whether tables are there though no migration ever came to its end: a first start was killed, and nothing of worth can be in them. */
export async function isHalfMade(db: Database): Promise<boolean> {
  const [rows] = (await db.raw('show tables')) as [Record<string, string>[]];
  if (rows.length === 0) return false;
  const done = (await db.schema.hasTable('knex_migrations')) && (await db('knex_migrations').first('id'));
  return !done;
}
