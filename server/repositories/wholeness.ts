import type { Database } from '../database';
import { parseColumn } from '../json';

/** How many rows a table has. */
export const rowsOf = async (db: Database, table: 'people' | 'models' | 'exercises' | 'exercise_versions'): Promise<number> =>
  Number((await db(table).count({ n: '*' }).first())?.n ?? 0);

/** Every mesh that a model revision refers to. */
export async function meshReferences(db: Database): Promise<{ modelId: string; revision: number; hash: string }[]> {
  const rows: { model_id: string; revision: number; mesh_hash: string }[] = await db('model_revisions').select('model_id', 'revision', 'mesh_hash');
  return rows.map((row) => ({ modelId: row.model_id, revision: row.revision, hash: row.mesh_hash }));
}

/** Every picture that a published version refers to. */
export async function pictureReferences(db: Database): Promise<{ exerciseId: string; version: number; hash: string }[]> {
  const rows: { exercise_id: string; version: number; pictures: unknown }[] = await db('exercise_versions').select('exercise_id', 'version', 'pictures');
  return rows.flatMap((row) =>
    (parseColumn(row.pictures) as (string | null)[]).flatMap((hash) => (hash ? [{ exerciseId: row.exercise_id, version: row.version, hash }] : [])),
  );
}

/** Attempts that were handed in, with their score, whether an instructor set it, and how many rows they have of steps and of criteria. */
export async function handedIn(db: Database): Promise<{ id: string; score: number; set: boolean; steps: number; criteria: number }[]> {
  const counts = async (table: 'attempt_steps' | 'attempt_criteria'): Promise<Map<string, number>> => {
    const rows: { attempt_id: string; n: number }[] = await db(table).groupBy('attempt_id').select('attempt_id').count({ n: '*' });
    return new Map(rows.map((row) => [row.attempt_id, Number(row.n)]));
  };
  const [steps, criteria] = await Promise.all([counts('attempt_steps'), counts('attempt_criteria')]);
  const rows: { id: string; score: number; set_at: Date | null }[] = await db('attempts').whereNotNull('handed_in_at').select('id', 'score', 'set_at');
  return rows.map(({ set_at, ...row }) => ({ ...row, set: set_at !== null, steps: steps.get(row.id) ?? 0, criteria: criteria.get(row.id) ?? 0 }));
}
