/** Migrates the database, keeps the built-in schemes, and seeds the demo once. `--reset` begins with an empty database. */

import { seedStation } from '@demo/station';
import { connect, databaseName, migrate, openDatabase } from '@server/database';
import { openFileStore } from '@server/files';
import { keepBuiltInSchemes } from '@server/services/schemes';

const url = process.env.DATABASE_URL;
const folder = process.env.DIALHOME_FILES;
if (!url || !folder) {
  process.stderr.write('DATABASE_URL and DIALHOME_FILES must be set; "npm start" sets them.\n');
  process.exit(1);
}
const say = (text: string): void => void process.stdout.write(`${text}\n`);

if (process.argv.includes('--reset')) {
  const server = connect(url, undefined);
  await server.raw('drop database if exists ??', [databaseName(url)]);
  await server.destroy();
}
const db = await openDatabase(url);
try {
  await migrate(db);
  const service = { db, files: openFileStore(folder), now: () => new Date() };
  await keepBuiltInSchemes(service);
  const people = await db('people').count({ n: '*' }).first();
  if (process.env.DIALHOME_DEMO && Number(people?.n ?? 0) === 0) await seedStation(service, say);
} finally {
  await db.destroy();
}
