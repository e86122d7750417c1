import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { startMariaDb } from './mariaDb.mjs';
import { ensureDebianPackages } from './packages.mjs';
import { Advice } from './say.mjs';

/**
 * The database that a command works on: the one that DATABASE_URL names, or this installation's own, which is used while it
 * runs and started for as long as it is needed. `address`: options for MariaDB's own programs; the password goes by the
 * environment, where a list of processes does not show it.
 */
export async function databaseNow(folder = process.env.DIALHOME_DATA ?? '.data') {
  let given = process.env.DATABASE_URL;
  let stop = async () => {};
  if (!given) {
    if (!existsSync(join(folder, 'mariadb', 'data')))
      throw new Advice('There is no database here yet: "npm start" makes one. For another one, set DATABASE_URL.');
    await ensureDebianPackages({ browser: false });
    const own = await startMariaDb(join(folder, 'mariadb'));
    ({ stop } = own);
    given = `${own.url}/${nameIn(folder)}`;
  }
  const url = new URL(given);
  return {
    url: given,
    name: url.pathname.slice(1),
    address: ['--no-defaults', `--host=${url.hostname}`, `--port=${url.port || 3306}`, `--user=${decodeURIComponent(url.username)}`],
    options: { env: { ...process.env, MYSQL_PWD: decodeURIComponent(url.password) } },
    stop,
  };
}

/** The database that was started here last. */
function nameIn(folder) {
  const file = join(folder, 'database');
  return existsSync(file) ? readFileSync(file, 'utf8').trim() : 'dial_home_demo';
}
