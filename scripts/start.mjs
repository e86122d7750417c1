/** `npm start`: everything from a bare clone to a working page. `-- --reset` begins afresh. */
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { freePort, startMariaDb } from './setup/mariaDb.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { Advice, run, say } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));
const reset = process.argv.includes('--reset');
const real = process.argv.includes('--no-demo');
const DATA = '.data';
const DATABASE = real ? 'dial_home' : 'dial_home_demo';

async function main() {
  const own = !process.env.DATABASE_URL;
  if (own) await ensureDebianPackages({ browser: false });
  await ensureNodeModules();
  if (reset) {
    say('Beginning afresh: the earlier data are removed …');
    rmSync(join(DATA, 'files'), { recursive: true, force: true });
  }
  if (own) say('Starting the database …');
  const database = own ? await startMariaDb(join(DATA, 'mariadb')) : { url: null, stop: async () => {} };
  const env = {
    DATABASE_URL: process.env.DATABASE_URL ?? `${database.url}/${DATABASE}`,
    DIALHOME_FILES: resolve(DATA, 'files'),
    DIALHOME_DEMO: real ? '' : '1',
  };
  let server = null;
  let stopping = false;
  const stop = async () => {
    if (stopping) return;
    stopping = true;
    say('\nStopping …');
    server?.kill('SIGTERM');
    await database.stop();
    process.exit();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
  try {
    await command('npx', ['tsx', 'scripts/prepare.ts', ...(reset ? ['--reset'] : [])], { env, advice: 'The data could not be prepared.' });
    await ensureBuilt();
    const wanted = Number(process.env.PORT ?? 4310);
    if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65535) throw new Advice('PORT must be a number from 1 to 65535.');
    const port = await freePort(wanted);
    if (port !== wanted) say(`Port ${wanted} is in use, so another is taken.`);
    server = spawn(process.execPath, ['scripts/serve.mjs'], {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env, PORT: String(port), NODE_ENV: 'production' },
    });
    server.on('exit', (code) => {
      if (!stopping) {
        say(`The server ended with code ${code}.`);
        process.exitCode = 1;
        stop();
      }
    });
  } catch (error) {
    await database.stop();
    throw error;
  }
}

await run(main);
