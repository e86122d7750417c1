import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openService } from '../../server/openService';
import setUpDatabase from '../../server/tests/globalSetup';
import { startApp } from './appProcess';

/** The built application on a freshly seeded demo database, for all browser tests together. */
export default async function setup(): Promise<() => Promise<void>> {
  if (!existsSync('dist/server/entry.mjs')) throw new Error('The application is not built: "npm test" builds it, or run "npm run build".');
  const stopDatabase = await setUpDatabase();
  const files = mkdtempSync(join(tmpdir(), 'dial-home-e2e-'));
  const url = `${process.env.TEST_DATABASE_URL}/e2e_${randomBytes(5).toString('hex')}`;
  const env = { DATABASE_URL: url, DIALHOME_FILES: files, DIALHOME_DEMO: '1' };
  const made = spawnSync('npx', ['tsx', 'scripts/prepare.ts'], { env: { ...process.env, ...env }, encoding: 'utf8' });
  if (made.status !== 0) throw new Error(`The demo could not be seeded: ${made.stderr}`);
  // The tests practise whatever they like: no unit waits for another one. A test of that makes its own course.
  const stored = openService(url, files);
  await stored.db('course_units').update({ opens_after: null });
  await stored.close();
  const app = await startApp(env);
  process.env.E2E_BASE = app.base;
  process.env.E2E_DATABASE_URL = url;
  process.env.E2E_FILES = files;
  process.env.E2E_PID = String(app.pid);
  return async () => {
    await app.stop();
    await stopDatabase();
    rmSync(files, { recursive: true, force: true });
  };
}
