/** `npm run dev`: the demo with pages that reload when a source changes. Server code is built anew by the framework; the pool's file when it starts. */
import { spawn } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { buildWorker } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { startMariaDb } from './setup/mariaDb.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { run, say } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));
const DATA = process.env.DIALHOME_DATA ?? '.data-dev';

await run(async () => {
  await ensureDebianPackages({ browser: false });
  await ensureNodeModules();
  await buildWorker();
  const database = await startMariaDb(join(DATA, 'mariadb'), { relaxed: true });
  const env = {
    DATABASE_URL: `${database.url}/dial_home_dev`,
    DIALHOME_FILES: resolve(DATA, 'files'),
    DIALHOME_DEMO: '1',
    ASTRO_TELEMETRY_DISABLED: '1',
    ASTRO_DISABLE_UPDATE_CHECK: 'true',
  };
  mkdirSync(env.DIALHOME_FILES, { recursive: true });
  try {
    await command('npx', ['tsx', 'scripts/prepare.ts'], { env, advice: 'The data could not be prepared.' });
    say('Building pages as they are asked for …');
    const child = spawn('npx', ['astro', 'dev', '--port', process.env.PORT ?? '4310'], { stdio: 'inherit', env: { ...process.env, ...env } });
    for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
    await new Promise((done) => child.once('exit', done));
  } finally {
    await database.stop();
  }
});
