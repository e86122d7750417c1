import { type Database, transact } from '../database';

/** A file of this many bytes or fewer is one row; larger ones are cut. */
export const CHUNK = 1024 * 1024;

/** Size of a kept file, or null. */
export async function blobSize(db: Database, hash: string): Promise<number | null> {
  const row = await db('blobs').where({ hash }).first('size');
  return row ? Number(row.size) : null;
}

/** Keeps a file under its hash in a transaction of its own; false when it is there already. */
export async function addBlob(db: Database, hash: string, bytes: Uint8Array, now: Date): Promise<boolean> {
  return transact(db, async (tx) => {
    const [{ affectedRows }] = (await tx.raw('insert ignore into blobs (hash, size, created_at) values (?, ?, ?)', [hash, bytes.length, now])) as [
      { affectedRows: number },
    ];
    if (affectedRows === 0) return false;
    for (let number = 0; number * CHUNK < Math.max(1, bytes.length); number++)
      await tx('blob_chunks').insert({ hash, number, bytes: Buffer.from(bytes.subarray(number * CHUNK, (number + 1) * CHUNK)) });
    return true;
  });
}

/** One piece of a file, in order from 0; null behind the last. */
export async function blobChunk(db: Database, hash: string, number: number): Promise<Uint8Array | null> {
  const row = await db('blob_chunks').where({ hash, number }).first('bytes');
  return row ? row.bytes : null;
}

/** Hashes of all files, in order. */
export async function blobHashes(db: Database): Promise<string[]> {
  return (await db('blobs').orderBy('hash').select('hash')).map((row: { hash: string }) => row.hash);
}
