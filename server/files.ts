import { mkdir, readFile, rename, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { notFound, ServiceError } from './errors';
import { newId, sha256 } from './ids';

/** Files kept by the hash of their content, in a folder outside the database. */
export interface FileStore {
  /** Keeps the bytes and returns their name. Keeping the same bytes twice keeps them once. */
  keep(bytes: Uint8Array): Promise<string>;
  read(hash: string): Promise<Uint8Array>;
}

const HASH = /^[0-9a-f]{64}$/;

export function openFileStore(folder: string): FileStore {
  const place = (hash: string): string => join(folder, hash.slice(0, 2), hash);
  return {
    async keep(bytes) {
      const hash = sha256(bytes);
      const path = place(hash);
      const known = await stat(path).catch(() => null);
      if (known?.size === bytes.length) return hash;
      try {
        await mkdir(join(folder, hash.slice(0, 2)), { recursive: true });
        // Written beside and moved, so that a half-written file never bears a whole one's name.
        const draft = `${path}.${newId()}`;
        await writeFile(draft, bytes);
        await rename(draft, path);
      } catch (error) {
        if ((error as { code?: string }).code === 'ENOSPC')
          throw new ServiceError(507, 'disk-full', 'The disk is full: free some space on the server, then try again.');
        throw error;
      }
      return hash;
    },
    async read(hash) {
      if (!HASH.test(hash)) throw notFound('This file');
      const found = await readFile(place(hash)).catch(() => null);
      if (!found) throw notFound('This file');
      return found;
    },
  };
}
