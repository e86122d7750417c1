import { buildWorker } from '../../scripts/setup/build.mjs';
import { startMariaDb } from '../../scripts/setup/mariaDb.mjs';

/** The pool's file, and a MariaDB for the tests alone, unless TEST_DATABASE_URL names a server; stopped when they end. */
export default async function setup(): Promise<() => Promise<void>> {
  await buildWorker();
  if (process.env.TEST_DATABASE_URL) return async () => {};
  const { url, stop } = await startMariaDb('.data-test/mariadb', { relaxed: true });
  process.env.TEST_DATABASE_URL = url;
  return stop;
}
