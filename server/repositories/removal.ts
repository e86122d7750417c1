import type { Database } from '../database';

/** Tables whose rows can be put back for a while after they were removed. */
type Table = 'saved_views' | 'landmarks';

/** How long what is removed can be put back, ms. */
const KEPT = 7 * 24 * 3600 * 1000;

/** What was removed last, for its undoing. */
export interface Removed {
  readonly id: string;
  readonly name: string;
  /** When, ms since 1970. */
  readonly at: number;
}

/** Removes a row of a model, and for good those of it that were removed long ago. */
export async function remove(db: Database, table: Table, { id, modelId }: { id: string; modelId: string }, now: Date): Promise<void> {
  await db(table).where({ id }).update({ removed_at: now });
  await db(table)
    .where({ model_id: modelId })
    .andWhere('removed_at', '<', new Date(now.getTime() - KEPT))
    .delete();
}

export async function putBack(db: Database, table: Table, id: string): Promise<void> {
  await db(table).where({ id }).update({ removed_at: null });
}

/** What was removed last of the rows that are meant and can still be put back. */
export async function lastRemoved(db: Database, table: Table, rows: Record<string, string>, now: Date): Promise<Removed | null> {
  const row = await db<{ id: string; name: string; removed_at: Date }>(table)
    .where(rows)
    .andWhere('removed_at', '>=', new Date(now.getTime() - KEPT))
    .orderBy('removed_at', 'desc')
    .first('id', 'name', 'removed_at');
  return row ? { id: row.id, name: row.name, at: row.removed_at.getTime() } : null;
}
