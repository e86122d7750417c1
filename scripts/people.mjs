/** `npm run people -- lead "Name" sign-in`: makes a person, or the first lead of a real installation. Asks for the password on the terminal. */
import { join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ensureBuilt } from './setup/build.mjs';
import { command } from './setup/commands.mjs';
import { startMariaDb } from './setup/mariaDb.mjs';
import { ensureDebianPackages, ensureNodeModules } from './setup/packages.mjs';
import { Advice, run } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

async function main() {
  const [role, name, signIn] = process.argv.slice(2);
  if (!['lead', 'instructor', 'trainee'].includes(role) || !name || !signIn)
    throw new Advice('Say who: npm run people -- lead "Ada Byron" ada   (or instructor, trainee). The password is read from the terminal.');
  process.stdout.write('Password (at least 8 characters): ');
  let password = '';
  for await (const chunk of process.stdin) {
    password += chunk;
    if (password.includes('\n')) break;
  }
  const own = !process.env.DATABASE_URL;
  if (own) await ensureDebianPackages({ browser: false });
  await ensureNodeModules();
  await ensureBuilt();
  const data = process.env.DIALHOME_DATA ?? '.data';
  const database = own ? await startMariaDb(join(data, 'mariadb')) : null;
  const env = {
    DATABASE_URL: process.env.DATABASE_URL ?? `${database.url}/dial_home`,
    DIALHOME_FILES: resolve(data, 'files'),
    DIALHOME_DEMO: '',
    NEW_PERSON: JSON.stringify({ role, name, signIn, password: password.split('\n')[0] }),
  };
  try {
    await command('npx', ['tsx', 'scripts/addPerson.ts'], { env, advice: 'Nobody was added.' });
  } finally {
    await database?.stop();
  }
  process.exit();
}

await run(main);
