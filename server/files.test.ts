import { mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type FileStore, openFileStore } from './files';
import { newToken, sha256 } from './ids';
import { parseColumn } from './json';
import { openTestService, type TestService } from './tests/testService';

let folder: string;
let service: TestService;
let store: FileStore;
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'dial-home-files-'));
  service = await openTestService();
  store = openFileStore(service.db, folder);
});
afterAll(async () => {
  await service.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('the file store', () => {
  it('keeps bytes under their own hash and gives them back', async () => {
    const bytes = new TextEncoder().encode('a mesh');
    const hash = await store.keep(bytes);
    expect(hash).toBe(sha256(bytes));
    expect(new Uint8Array(await store.read(hash))).toEqual(bytes);
  });

  it('keeps the same bytes once, also when they come at the same time', async () => {
    const bytes = new Uint8Array(5000).fill(7);
    const hashes = await Promise.all(Array.from({ length: 6 }, () => store.keep(bytes)));
    expect(new Set(hashes).size).toBe(1);
    expect(readdirSync(join(folder, (hashes[0] as string).slice(0, 2))).filter((name) => name.startsWith(hashes[0] as string))).toHaveLength(1);
  });

  it('a large file comes back whole in any process, also where there is no copy of it', async () => {
    const bytes = Uint8Array.from({ length: 2_500_000 }, (_, i) => (i * 7919) % 251);
    const hash = await store.keep(bytes);
    const elsewhere = mkdtempSync(join(tmpdir(), 'dial-home-files-'));
    const other = openFileStore(service.db, elsewhere);
    expect(Buffer.compare(Buffer.from(await other.read(hash)), Buffer.from(bytes))).toBe(0);
    expect(readdirSync(join(elsewhere, hash.slice(0, 2)))).toEqual([hash]);
    rmSync(elsewhere, { recursive: true, force: true });
    const { size, stream } = await other.open(hash);
    expect(size).toBe(bytes.length);
    expect(sha256(new Uint8Array(await new Response(stream).arrayBuffer()))).toBe(hash);
    rmSync(elsewhere, { recursive: true, force: true });
  });

  it('a full disk is said so, and nothing is there of what found no room', async () => {
    const full = Object.assign(() => {}, { transaction: () => Promise.reject(Object.assign(new Error('full'), { code: 'ER_RECORD_FILE_FULL' })) });
    const nowhere = openFileStore(full as never, folder);
    await expect(nowhere.keep(new Uint8Array([1, 2, 3, 4]))).rejects.toMatchObject({ status: 507, code: 'disk-full' });
    await expect(store.read(sha256(new Uint8Array([1, 2, 3, 4])))).rejects.toMatchObject({ status: 404 });
  });

  it('what an interrupted write left behind is taken away', async () => {
    const hash = await store.keep(new Uint8Array(20).fill(3));
    const draft = `${hash}.0d9b7f1c-half`;
    writeFileSync(join(folder, hash.slice(0, 2), draft), 'half');
    await store.tidy();
    expect(readdirSync(join(folder, hash.slice(0, 2)))).toEqual([hash]);
  });

  it('a half-written file of before is written again', async () => {
    const bytes = new Uint8Array(300).fill(9);
    const hash = await store.keep(bytes);
    writeFileSync(join(folder, hash.slice(0, 2), hash), bytes.subarray(0, 10));
    await store.keep(bytes);
    expect((await store.read(hash)).length).toBe(300);
  });

  it.each(['', '..', '../../etc/passwd', 'a'.repeat(63), 'g'.repeat(64), `${'a'.repeat(62)}/.`])('knows nothing under the name %j', async (name) => {
    await expect(store.read(name)).rejects.toMatchObject({ status: 404 });
  });
});

it('tokens are long and never twice the same', () => {
  const tokens = Array.from({ length: 50 }, newToken);
  expect(new Set(tokens).size).toBe(50);
  for (const token of tokens) expect(token).toMatch(/^[\w-]{43}$/);
});

it('JSON columns are read whether they come as text or as objects', () => {
  expect(parseColumn('{"a":1}')).toEqual({ a: 1 });
  expect(parseColumn({ a: 1 })).toEqual({ a: 1 });
});
