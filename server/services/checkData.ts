import { createHash } from 'node:crypto';
import type { Database } from '../database';
import { parseColumn } from '../json';
import { cardOf, traceOf } from '../repositories/attempts';
import { blobChunk, blobHashes, blobSize } from '../repositories/blobs';

export interface DataReport {
  /** How many there are of what. */
  readonly counts: Readonly<Record<string, number>>;
  /** What is not whole, in words. */
  readonly faults: readonly string[];
}

/** Looks through everything a database holds: files against their hashes, what refers to files, cards and traces of attempts. */
export async function checkData(db: Database): Promise<DataReport> {
  const faults: string[] = [];
  const count = async (table: string): Promise<number> => Number((await db(table).count({ n: '*' }).first())?.n ?? 0);

  const hashes = await blobHashes(db);
  for (const hash of hashes) {
    const sum = createHash('sha256');
    let size = 0;
    for (let number = 0; ; number++) {
      const chunk = await blobChunk(db, hash, number);
      if (!chunk) break;
      sum.update(chunk);
      size += chunk.length;
    }
    if (sum.digest('hex') !== hash || size !== (await blobSize(db, hash))) faults.push(`The file ${hash} is not what its name says.`);
  }

  const known = new Set(hashes);
  for (const row of await db('model_revisions').select('model_id', 'revision', 'mesh_hash'))
    if (!known.has(row.mesh_hash)) faults.push(`Model ${row.model_id}, revision ${row.revision}: its mesh ${row.mesh_hash} is missing.`);
  for (const row of await db('exercise_versions').select('exercise_id', 'version', 'pictures')) {
    const pictures = parseColumn(row.pictures) as (string | null)[];
    for (const hash of pictures)
      if (hash && !known.has(hash)) faults.push(`Exercise ${row.exercise_id}, version ${row.version}: the picture ${hash} is missing.`);
  }

  const steps = new Map<string, number>();
  const stepRows: { attempt_id: string; n: number }[] = await db('attempt_steps').groupBy('attempt_id').select('attempt_id', db.raw('count(*) as n'));
  for (const row of stepRows) steps.set(row.attempt_id, Number(row.n));
  const ids: { id: string }[] = await db('attempts').whereNotNull('handed_in_at').select('id');
  for (const { id } of ids) {
    try {
      const [row, card, trace] = [await db('attempts').where({ id }).first('score'), await cardOf(db, id), await traceOf(db, id)];
      if (!card || !trace) faults.push(`Attempt ${id}: its trace or its card is missing.`);
      else if (Math.abs(card.score - row.score) > 1e-9 || card.steps.length !== (steps.get(id) ?? 0))
        faults.push(`Attempt ${id}: its card and its row differ.`);
    } catch {
      faults.push(`Attempt ${id}: its trace or its card cannot be read.`);
    }
  }

  return {
    counts: {
      people: await count('people'),
      models: await count('models'),
      exercises: await count('exercises'),
      'published versions': await count('exercise_versions'),
      'attempts handed in': ids.length,
      files: hashes.length,
    },
    faults,
  };
}
