import { afterAll, describe, expect, it } from 'vitest';
import { createFairQueue } from './fairQueue';
import { openPool } from './pool';

const refuse = (): Error => new Error('full');
const later = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

describe('the queue', () => {
  it('runs so many at once, and people whose work waits take turns', async () => {
    const queue = createFairQueue({ slots: 1, waitingEach: 10, waitingAll: 50, refuse });
    const done: string[] = [];
    const work = (name: string) => async (): Promise<void> => {
      await later(1);
      done.push(name);
    };
    await Promise.all([
      ...['a1', 'a2', 'a3', 'a4'].map((name) => queue.run('a', work(name))),
      ...['b1', 'b2'].map((name) => queue.run('b', work(name))),
      queue.run('c', work('c1')),
    ]);
    expect(done).toEqual(['a1', 'a2', 'b1', 'c1', 'a3', 'b2', 'a4']);
    expect(queue.load()).toEqual({ running: 0, waiting: 0 });
  });

  it('refuses what is more than one person may have waiting, and more than all may; work that fails frees its place', async () => {
    const queue = createFairQueue({ slots: 1, waitingEach: 2, waitingAll: 3, refuse });
    let end = (): void => {};
    const held = queue.run('a', () => new Promise<void>((done) => (end = done)));
    const waiting = [queue.run('a', async () => 1), queue.run('a', async () => Promise.reject(new Error('broken'))), queue.run('b', async () => 3)];
    await expect(queue.run('a', async () => 4)).rejects.toThrow('full');
    await expect(queue.run('c', async () => 5)).rejects.toThrow('full');
    end();
    await held;
    expect(await Promise.allSettled(waiting)).toMatchObject([{ value: 1 }, { reason: { message: 'broken' } }, { value: 3 }]);
    await expect(queue.run('c', async () => 6)).resolves.toBe(6);
  });
});

describe('the pool', () => {
  const pool = openPool({ threads: 2, seconds: { spin: 3 }, heapMb: 64, waitingEach: 1 });
  afterAll(() => pool.close());

  it('ends a job that takes too long or too much memory, and goes on with the others', async () => {
    const others = pool.run('spin', { ms: 10 }, { for: 'b' });
    await expect(pool.run('spin', { ms: 60_000 }, { for: 'a' })).rejects.toMatchObject({ status: 422, code: 'too-long' });
    await expect(pool.run('spin', { ms: 60_000, bytes: 8 * 1024 * 1024 }, { for: 'a' })).rejects.toMatchObject({ code: 'too-long' });
    await expect(others).resolves.toBe(0);
    await expect(pool.run('spin', { ms: 1 }, { for: 'a' })).resolves.toBe(0);
  });

  it('says plainly that one person has too much waiting', async () => {
    const all = await Promise.allSettled(Array.from({ length: 6 }, () => pool.run('spin', { ms: 100 }, { for: 'a' })));
    const refused = all.filter((entry) => entry.status === 'rejected');
    expect(refused).toHaveLength(3);
    expect(refused[0]?.reason).toMatchObject({ status: 503, code: 'busy' });
    expect(refused[0]?.reason.message).toMatch(/try again in half a minute/);
  });

  it('hashes and checks passwords, and takes no other for the right one', async () => {
    const hash = await pool.run('hashPassword', { password: 'a long password' }, { for: 'a' });
    expect(hash).toMatch(/^\$argon2id\$v=19\$m=19456,t=2/);
    expect(await pool.run('verifyPassword', { hash, password: 'a long password' }, { for: 'a' })).toBe(true);
    expect(await pool.run('verifyPassword', { hash, password: 'a long Password' }, { for: 'a' })).toBe(false);
    expect(await pool.run('verifyPassword', { hash: 'no hash', password: 'x' }, { for: 'a' })).toBe(false);
  });

  it('tells what a body lacks in words, as if it had been looked at here', async () => {
    const body = new TextEncoder().encode('{');
    await expect(pool.run('openTry', { body }, { for: 'a' })).rejects.toMatchObject({ status: 400, code: 'not-json' });
    await expect(pool.run('openTry', { body: new TextEncoder().encode('{}') }, { for: 'a' })).rejects.toMatchObject({ status: 422, code: 'invalid' });
    await expect(pool.run('model', { files: [{ name: 'a.glb', bytes: new Uint8Array(3) }] }, { for: 'a' })).rejects.toMatchObject({
      status: 422,
      field: 'files',
    });
  });
});
