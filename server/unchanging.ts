import { LRUCache } from 'lru-cache';
import type { Database } from './database';

/**
 * Keeps what never changes once it is written (a published version, a revision of a model or a scheme), so that it is read and
 * parsed once a process. What is not there yet is asked for again each time.
 */
export function unchanging<T extends object>(max: number): (db: Database, key: string, read: () => Promise<T | null>) => Promise<T | null> {
  const caches = new WeakMap<object, LRUCache<string, T>>();
  return async (db, key, read) => {
    let cache = caches.get(db);
    if (!cache) {
      cache = new LRUCache<string, T>({ max });
      caches.set(db, cache);
    }
    const known = cache.get(key);
    if (known) return known;
    const found = await read();
    if (found) cache.set(key, found);
    return found;
  };
}
