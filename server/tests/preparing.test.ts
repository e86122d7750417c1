import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { alone, connect, databaseName, dropDatabase, ensureDatabase, migrate } from '../database';
import { checkData } from '../services/checkData';

/** What a start does with the data, also after one that was killed. */
let url: string;
let folder: string;
beforeAll(() => {
  url = `${process.env.TEST_DATABASE_URL}/prepare_${randomBytes(5).toString('hex')}`;
  folder = mkdtempSync(join(tmpdir(), 'dial-home-prepare-'));
});
afterAll(async () => {
  await dropDatabase(url);
  rmSync(folder, { recursive: true, force: true });
});

const command = ['tsx', 'scripts/prepare.ts'];
const env = (): NodeJS.ProcessEnv => ({ ...process.env, DATABASE_URL: url, DIALHOME_FILES: folder, DIALHOME_DEMO: 'few' });

it('a seeding that was killed half-way is begun afresh by the next start, and then left as it is', async () => {
  const child = spawn('npx', command, { env: env(), stdio: ['ignore', 'pipe', 'ignore'], detached: true });
  await new Promise<void>((done) => child.stdout.on('data', (text) => String(text).includes('The course') && done()));
  process.kill(-(child.pid as number), 'SIGKILL');
  await new Promise((done) => child.once('exit', done));

  const again = spawnSync('npx', command, { env: env(), encoding: 'utf8' });
  expect(again.stdout).toMatch(/interrupted before it was done: beginning afresh/);
  let db = connect(url, databaseName(url));
  try {
    const { counts, faults } = await checkData(db);
    expect(faults).toEqual([]);
    expect(counts.exercises).toBeGreaterThan(15);
    expect(counts['attempts handed in']).toBeGreaterThan(100);
    expect(Number((await db('people').where({ made_up: true }).count({ n: '*' }).first())?.n)).toBe(counts.people);
    const third = spawnSync('npx', command, { env: env(), encoding: 'utf8' });
    expect(third.stdout).toBe('');
    expect((await checkData(db)).counts).toEqual(counts);
    // A backup, taken while all is in use, comes back as it was; until then nothing present is touched.
    const npm = (script: string, ...more: string[]) => spawnSync('node', [`scripts/${script}.mjs`, ...more], { env: env(), encoding: 'utf8' });
    const kept = join(folder, 'backups');
    expect(npm('backup', kept).stdout).toMatch(/Kept in/);
    const backup = join(kept, readdirSync(kept)[0] as string);
    expect(npm('restore', backup, '--check').stdout).toMatch(/All is whole/);
    const refused = npm('restore', backup);
    expect(refused.stderr).toMatch(/The server is still running/);
    await db('attempts').whereNotNull('card').limit(20).update({ score: 1 });
    await db.destroy();
    expect(npm('restore', backup).stdout).toMatch(/Restored/);
    db = connect(url, databaseName(url));
    expect(await checkData(db)).toEqual({ counts, faults: [] });
    // What is not whole is found.
    await db('blob_chunks').limit(1).delete();
    await db('attempts').whereNotNull('card').limit(1).update({ score: -1 });
    expect((await checkData(db)).faults.length).toBeGreaterThanOrEqual(2);
  } finally {
    await db.destroy();
  }
});

it('a lock of the migrations that a killed start left is no obstacle, and two starts wait for each other', async () => {
  await ensureDatabase(url);
  const db = connect(url, databaseName(url));
  try {
    await migrate(db);
    await db('knex_migrations_lock').update({ is_locked: 1 });
    const order: string[] = [];
    await Promise.all(
      ['a', 'b'].map((name) =>
        alone(url, async () => {
          order.push(`${name} begins`);
          await migrate(db);
          order.push(`${name} ends`);
        }),
      ),
    );
    expect(order[0]?.[0]).toBe(order[1]?.[0]);
    expect(order[2]?.[0]).toBe(order[3]?.[0]);
  } finally {
    await db.destroy();
  }
});
