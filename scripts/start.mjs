/** `npm start`: everything from a bare clone to a working page, watched while it runs. `-- --reset` begins afresh, `-- --no-demo` without made-up people. */
import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { networkInterfaces } from 'node:os';
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { startApplication } from './setup/application.mjs';
import { ensureBuilt } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { freePort, startMariaDb } from './setup/mariaDb.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { Advice, run, say } from './setup/say.mjs';
import { together } from './setup/together.mjs';
import { keepRunning } from './setup/watch.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));
const reset = process.argv.includes('--reset');
const real = process.argv.includes('--no-demo');
const DATA = process.env.DIALHOME_DATA ?? '.data';
const DATABASE = real ? 'dial_home' : 'dial_home_demo';
const HOST = process.env.HOST || '127.0.0.1';

/** Addresses at which other computers of the network reach this one. */
const networkAddresses = () =>
  Object.values(networkInterfaces())
    .flat()
    .filter((entry) => entry && !entry.internal && entry.family === 'IPv4')
    .map((entry) => entry.address);

function sayReady(port) {
  const { PUBLIC_URL } = process.env;
  const everywhere = HOST === '0.0.0.0' || HOST === '::';
  say(`\nDial Home is ready: http://${everywhere ? '127.0.0.1' : HOST}:${port}`);
  if (everywhere) {
    for (const address of networkAddresses()) say(`From other computers:   http://${address}:${port}`);
    say('Without TLS a real 3D mouse cannot be connected from other computers; docs/running.md says how to add it.');
  }
  if (PUBLIC_URL) say(`For the class:          ${PUBLIC_URL}`);
  if (!real) say('Demo sign-ins: the buttons on the sign-in page, or edda, maren, ida, tomas … with the password "lighthouse".');
  else say('People: npm run people -- lead "Name" sign-in makes the first lead.');
  say(`What happens is written to ${join(DATA, 'log', 'requests.log')}. Ctrl-C stops everything.`);
}

async function main() {
  const own = !process.env.DATABASE_URL;
  if (own) await ensureDebianPackages({ browser: false });
  await ensureNodeModules();
  mkdirSync(join(DATA, 'log'), { recursive: true, mode: 0o700 });
  const wanted = Number(process.env.PORT ?? 4310);
  if (!Number.isInteger(wanted) || wanted < 1 || wanted > 65535) throw new Advice('PORT must be a number from 1 to 65535.');
  await ensureBuilt();
  if (reset) {
    say('Beginning afresh: the earlier data are removed …');
    rmSync(join(DATA, 'files'), { recursive: true, force: true });
  }

  await together(async ({ add, stopping }) => {
    let url = process.env.DATABASE_URL;
    if (own) {
      say('Starting the database …');
      let port = 0;
      const begin = async () => {
        const database = await startMariaDb(join(DATA, 'mariadb'), { port });
        ({ port } = database);
        url = `${database.url}/${DATABASE}`;
        return database;
      };
      add(await keepRunning('the database', begin, say));
      writeFileSync(join(DATA, 'database'), `${DATABASE}\n`);
    }
    const env = {
      DATABASE_URL: url,
      DIALHOME_FILES: resolve(DATA, 'files'),
      DIALHOME_DEMO: real ? '' : '1',
      LOG_FILE: process.env.LOG_FILE ?? resolve(DATA, 'log', 'requests.log'),
    };
    mkdirSync(env.DIALHOME_FILES, { recursive: true });
    await command('npx', ['tsx', 'scripts/prepare.ts', ...(reset ? ['--reset'] : [])], { env, advice: 'The data could not be prepared.' });
    if (stopping()) return;
    const port = await freePort(wanted, HOST);
    if (port !== wanted) say(`Port ${wanted} is in use, so another is taken.`);
    add(await keepRunning('the server', () => startApplication({ ...env, PORT: String(port) }), say));
    sayReady(port);
  });
}

await run(main);
