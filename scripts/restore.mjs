/**
 * `npm run restore -- <folder>`: puts a backup in the place of the present data. `--check`: only into a database of its own,
 * which is checked and taken away again. Every hash and every count is checked before anything present is replaced.
 */
import { spawn, spawnSync } from 'node:child_process';
import { createReadStream, existsSync, readFileSync, rmSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { fileURLToPath } from 'node:url';
import { createGunzip } from 'node:zlib';
import { command } from './setup/commands.mjs';
import { databaseNow } from './setup/databaseNow.mjs';
import { Advice, run, say } from './setup/say.mjs';

process.chdir(join(fileURLToPath(import.meta.url), '../..'));

const sql = (database, text) => {
  const done = spawnSync('mariadb', [...database.address, '-N', '-e', text], { encoding: 'utf8', env: database.options.env });
  if (done.status !== 0) throw new Advice(done.stderr.trim());
  return done.stdout.trim();
};

async function load(database, file, name) {
  sql(database, `drop database if exists \`${name}\`; create database \`${name}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
  const child = spawn('mariadb', [...database.address, '--max-allowed-packet=64M', name], { stdio: ['pipe', 'ignore', 'inherit'], env: database.options.env });
  const ended = new Promise((done) => child.once('close', done));
  await pipeline(createReadStream(file), createGunzip(), child.stdin).catch((error) => {
    throw new Advice(`The backup cannot be read: ${error.message}`);
  });
  if ((await ended) !== 0) throw new Advice('The backup could not be read into the database. Nothing present was changed.');
}

await run(async () => {
  const wanted = process.argv.slice(2).find((argument) => !argument.startsWith('--'));
  const only = process.argv.includes('--check');
  if (!wanted) throw new Advice('Say what from: npm run restore -- /path/to/the/backup   (--check: only look whether it is whole)');
  const folder = resolve(process.env.INIT_CWD ?? '.', wanted);
  const file = join(folder, 'database.sql.gz');
  if (!existsSync(file) || !existsSync(join(folder, 'about.json'))) throw new Advice(`${folder} holds no backup.`);
  const about = JSON.parse(readFileSync(join(folder, 'about.json'), 'utf8'));
  const database = await databaseNow();
  const trial = `${database.name.slice(0, 40)}_restored`;
  try {
    say(`Reading the backup of ${about.at} …`);
    await load(database, file, trial);
    const url = database.url.replace(/\/\w+$/, `/${trial}`);
    await command('npx', ['tsx', 'scripts/checkData.ts'], { env: { DATABASE_URL: url }, advice: 'The backup is not whole. Nothing present was changed.' });
    if (only) return;
    if (isServed(database)) throw new Advice('The server is still running: stop it first, then restore.');
    // Moved table by table: what was there is replaced only by what has been checked.
    const tables = sql(database, `select table_name from information_schema.tables where table_schema = '${trial}'`).split('\n').filter(Boolean);
    sql(database, `drop database if exists \`${database.name}\`; create database \`${database.name}\` character set utf8mb4 collate utf8mb4_unicode_ci`);
    sql(database, `rename table ${tables.map((table) => `\`${trial}\`.\`${table}\` to \`${database.name}\`.\`${table}\``).join(', ')}`);
    rmSync(join(process.env.DIALHOME_DATA ?? '.data', 'files'), { recursive: true, force: true });
    say(`Restored: ${database.name} is as it was on ${about.at}. Everybody signs in anew.`);
    sql(database, `delete from \`${database.name}\`.sessions`);
  } finally {
    try {
      sql(database, `drop database if exists \`${trial}\``);
    } finally {
      await database.stop();
    }
  }
});

/** Whether someone still has connections to the database open. */
function isServed(database) {
  return Number(sql(database, `select count(*) from information_schema.processlist where db = '${database.name}'`)) > 0;
}
