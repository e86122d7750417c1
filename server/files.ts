import { createReadStream } from 'node:fs';
import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import type { Database } from './database';
import { notFound, ServiceError } from './errors';
import { newId, sha256 } from './ids';
import { addBlob, blobChunk, blobSize } from './repositories/blobs';

/** Files kept by the hash of their content: in the database, so that every process has them, with a copy on this machine's disk. */
export interface FileStore {
  /** Keeps the bytes and returns their name. Keeping the same bytes twice keeps them once. `hash`: theirs, where it is known. */
  keep(bytes: Uint8Array, hash?: string): Promise<string>;
  read(hash: string): Promise<Uint8Array>;
  /** The bytes as they are read; who takes them may stop at any time. */
  open(hash: string): Promise<{ readonly size: number; readonly stream: ReadableStream<Uint8Array> }>;
  /** Takes what an interrupted write left behind off the disk. */
  tidy(): Promise<void>;
}

const HASH = /^[0-9a-f]{64}$/;
const DRAFT = /^[0-9a-f]{64}\.[\w-]+$/;
const diskFull = (): ServiceError => new ServiceError(507, 'disk-full', 'The disk is full: free some space on the server, then try again.');

/** What the database and the system say when nothing more can be written. */
const FULL = new Set(['ENOSPC', 'EDQUOT', 'ER_RECORD_FILE_FULL', 'ER_DISK_FULL', 'ER_ENGINE_OUT_OF_MEMORY']);
const isFull = (error: unknown): boolean => FULL.has((error as { code?: string } | null)?.code ?? '');

/** `folder`: where the copies lie; it may be emptied at any time. */
export function openFileStore(db: Database, folder: string): FileStore {
  const place = (hash: string): string => join(folder, hash.slice(0, 2), hash);

  /** Written beside and moved, so that a half-written file never bears a whole one's name. */
  const copy = async (hash: string, bytes: Uint8Array): Promise<void> => {
    const path = place(hash);
    const draft = `${path}.${newId()}`;
    try {
      await mkdir(join(folder, hash.slice(0, 2)), { recursive: true });
      await writeFile(draft, bytes);
      await rename(draft, path);
    } catch (error) {
      await rm(draft, { force: true }).catch(() => {});
      if (!isFull(error)) throw error;
    }
  };

  const fetched = async (hash: string, size: number): Promise<Uint8Array> => {
    const bytes = new Uint8Array(size);
    let at = 0;
    for (let number = 0; at < size; number++) {
      const chunk = await blobChunk(db, hash, number);
      if (!chunk || at + chunk.length > size) throw new Error(`The kept file ${hash} is not whole.`);
      bytes.set(chunk, at);
      at += chunk.length;
    }
    return bytes;
  };

  /** Size of a file that is there. */
  const sizeOf = async (hash: string): Promise<number> => {
    const size = HASH.test(hash) ? await blobSize(db, hash) : null;
    if (size === null) throw notFound('This file');
    return size;
  };

  const read = async (hash: string): Promise<Uint8Array> => {
    const size = await sizeOf(hash);
    const near = await readFile(place(hash)).catch(() => null);
    if (near?.length === size) return near;
    const bytes = await fetched(hash, size);
    await copy(hash, bytes);
    return bytes;
  };

  return {
    async keep(bytes, hash = sha256(bytes)) {
      try {
        await addBlob(db, hash, bytes, new Date());
      } catch (error) {
        if (isFull(error)) throw diskFull();
        throw error;
      }
      if ((await stat(place(hash)).catch(() => null))?.size !== bytes.length) await copy(hash, bytes);
      return hash;
    },
    read,
    async open(hash) {
      const size = await sizeOf(hash);
      const near = async (): Promise<boolean> => (await stat(place(hash)).catch(() => null))?.size === size;
      if (!(await near())) {
        const bytes = await read(hash);
        // No room for a copy: the bytes are there all the same.
        if (!(await near())) return { size, stream: new Blob([new Uint8Array(bytes)]).stream() };
      }
      return { size, stream: Readable.toWeb(createReadStream(place(hash))) as ReadableStream<Uint8Array> };
    },
    async tidy() {
      for (const part of await readdir(folder).catch(() => []))
        for (const name of await readdir(join(folder, part)).catch(() => [])) if (DRAFT.test(name)) await rm(join(folder, part, name), { force: true });
    },
  };
}
