import { createHash } from 'node:crypto';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { keepMesh, keptMesh } from './meshStore';

let store: Map<string, Response>;
const full = { now: false };
beforeEach(() => {
  store = new Map();
  full.now = false;
  const cache = {
    match: async (key: string) => store.get(key)?.clone(),
    put: async (key: string, response: Response) => {
      if (full.now) throw new Error('quota');
      store.delete(key);
      store.set(key, response);
    },
    delete: async (key: string) => store.delete(key),
    keys: async () => [...store.keys()],
  };
  vi.stubGlobal('caches', { open: async () => cache });
});
afterEach(() => vi.unstubAllGlobals());

const bytesOf = (text: string): ArrayBuffer => new Uint8Array(Buffer.from(text)).buffer;
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');

it('gives back what was kept, byte for byte', async () => {
  expect(await keptMesh(hashOf('buoy'))).toBeNull();
  await keepMesh(hashOf('buoy'), bytesOf('buoy'));
  expect(Buffer.from((await keptMesh(hashOf('buoy'))) as ArrayBuffer).toString()).toBe('buoy');
});

it('drops what is not what its hash says', async () => {
  await keepMesh(hashOf('buoy'), bytesOf('another'));
  expect(await keptMesh(hashOf('buoy'))).toBeNull();
  expect(store.size).toBe(0);
});

it('keeps the last dozen, and is no loss when it is full or not there', async () => {
  for (let i = 0; i < 15; i++) await keepMesh(hashOf(String(i)), bytesOf(String(i)));
  expect(store.size).toBe(12);
  expect(await keptMesh(hashOf('2'))).toBeNull();
  expect(await keptMesh(hashOf('14'))).not.toBeNull();
  full.now = true;
  await expect(keepMesh(hashOf('x'), bytesOf('x'))).resolves.toBeUndefined();
  vi.stubGlobal('caches', undefined);
  await expect(keepMesh(hashOf('x'), bytesOf('x'))).resolves.toBeUndefined();
  expect(await keptMesh(hashOf('14'))).toBeNull();
});
