import { type ChildProcess, spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '../../scripts/setup/mariaDb.mjs';
import setUpDatabase from '../../server/tests/globalSetup';

const sleep = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** The built application on a freshly seeded demo database, for all browser tests together. */
export default async function setup(): Promise<() => Promise<void>> {
  if (!existsSync('dist/server/entry.mjs')) throw new Error('The application is not built: "npm test" builds it, or run "npm run build".');
  const stopDatabase = await setUpDatabase();
  const files = mkdtempSync(join(tmpdir(), 'dial-home-e2e-'));
  const url = `${process.env.TEST_DATABASE_URL}/e2e_${randomBytes(5).toString('hex')}`;
  const env = { ...process.env, DATABASE_URL: url, DIALHOME_FILES: files, DIALHOME_DEMO: '1', PORT: String(await freePort()), NODE_ENV: 'production' };
  const made = spawnSync('npx', ['tsx', 'scripts/prepare.ts'], { env, encoding: 'utf8' });
  if (made.status !== 0) throw new Error(`The demo could not be seeded: ${made.stderr}`);
  const server: ChildProcess = spawn(process.execPath, ['scripts/serve.mjs'], { env, stdio: ['ignore', 'ignore', 'inherit'] });
  const base = `http://127.0.0.1:${env.PORT}`;
  for (let i = 0; i < 1200; i++) {
    if (
      await fetch(base).then(
        (r) => r.ok,
        () => false,
      )
    )
      break;
    await sleep(250);
  }
  process.env.E2E_BASE = base;
  process.env.E2E_DATABASE_URL = url;
  process.env.E2E_FILES = files;
  return async () => {
    server.kill('SIGTERM');
    await stopDatabase();
    rmSync(files, { recursive: true, force: true });
  };
}
