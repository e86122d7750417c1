/** `npm run backup -- <folder>`: all that the database holds, files too, as it is at one moment, while the server runs. */
import { spawn } from 'node:child_process';
import { createWriteStream, existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { createGzip } from 'node:zlib';
import { databaseNow } from './setup/databaseNow.mjs';
import { Advice, run, say } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

await run(async () => {
  const wanted = process.argv.slice(2).find((argument) => !argument.startsWith('--'));
  if (!wanted) throw new Advice('Say where to: npm run backup -- /path/to/a/folder');
  const folder = resolve(process.env.INIT_CWD ?? '.', wanted, `dial-home-${new Date().toISOString().replace(/[:.]/g, '-')}`);
  const draft = `${folder}.part`;
  mkdirSync(draft, { recursive: true, mode: 0o700 });
  const database = await databaseNow();
  try {
    const { address, name, options } = database;
    const file = join(draft, 'database.sql.gz');
    // One transaction: what is written meanwhile is not in it, and nobody waits for it.
    const dump = spawn(
      'mariadb-dump',
      [...address, '--single-transaction', '--skip-lock-tables', '--hex-blob', '--routines', '--max-allowed-packet=64M', name],
      {
        stdio: ['ignore', 'pipe', 'inherit'],
        env: options.env,
      },
    );
    const ended = new Promise((done) => dump.once('close', done));
    dump.once('error', () => {});
    await pipeline(dump.stdout, createGzip({ level: 6 }), createWriteStream(file, { mode: 0o600 }));
    if ((await ended) !== 0) throw new Advice('The database could not be read: nothing was kept.');
    const { version } = JSON.parse(readFileSync('package.json', 'utf8'));
    writeFileSync(join(draft, 'about.json'), `${JSON.stringify({ program: 'dial-home', version, database: name, at: new Date().toISOString() }, null, 2)}\n`);
    renameSync(draft, folder);
    say(`Kept in ${folder}. To check it: npm run restore -- ${JSON.stringify(folder)} --check`);
  } finally {
    if (existsSync(draft)) rmSync(draft, { recursive: true, force: true });
    await database.stop();
  }
});
