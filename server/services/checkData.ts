import { createHash } from 'node:crypto';
import type { Database } from '../database';
import { cardOf, traceOf } from '../repositories/attempts';
import { blobChunk, blobHashes, blobSize } from '../repositories/blobs';
import { handedIn, meshReferences, pictureReferences, rowsOf } from '../repositories/wholeness';

export interface DataReport {
  /** How many there are of what. */
  readonly counts: Readonly<Record<string, number>>;
  /** What is not whole, in words. */
  readonly faults: readonly string[];
}

/** Looks through everything a database holds: files against their hashes, what refers to files, cards and traces of attempts. */
export async function checkData(db: Database): Promise<DataReport> {
  const faults: string[] = [];

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
  for (const { modelId, revision, hash } of await meshReferences(db))
    if (!known.has(hash)) faults.push(`Model ${modelId}, revision ${revision}: its mesh ${hash} is missing.`);
  for (const { exerciseId, version, hash } of await pictureReferences(db))
    if (!known.has(hash)) faults.push(`Exercise ${exerciseId}, version ${version}: the picture ${hash} is missing.`);

  const attempts = await handedIn(db);
  for (const { id, score, set, steps, criteria } of attempts) {
    try {
      const [card, trace] = [await cardOf(db, id), await traceOf(db, id)];
      const judged = card?.steps.reduce((sum, step) => sum + step.criteria.length, 0);
      if (!card || !trace) faults.push(`Attempt ${id}: its trace or its card is missing.`);
      else if ((!set && Math.abs(card.score - score) > 1e-9) || card.steps.length !== steps || judged !== criteria)
        faults.push(`Attempt ${id}: its card and its rows differ.`);
    } catch {
      faults.push(`Attempt ${id}: its trace or its card cannot be read.`);
    }
  }

  return {
    counts: {
      people: await rowsOf(db, 'people'),
      models: await rowsOf(db, 'models'),
      exercises: await rowsOf(db, 'exercises'),
      'published versions': await rowsOf(db, 'exercise_versions'),
      'attempts handed in': attempts.length,
      files: hashes.length,
    },
    faults,
  };
}
