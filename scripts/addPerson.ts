/** Adds the person described in NEW_PERSON; called by `npm run people`. */
import { migrate, openDatabase } from '@server/database';
import { ServiceError } from '@server/errors';
import { openFileStore } from '@server/files';
import { makePerson } from '@server/services/people';
import { z } from 'zod';

const input = z
  .object({ role: z.enum(['lead', 'instructor', 'trainee']), name: z.string(), signIn: z.string(), password: z.string() })
  .parse(JSON.parse(process.env.NEW_PERSON ?? '{}'));
const db = await openDatabase(process.env.DATABASE_URL ?? '');
try {
  await migrate(db);
  const person = await makePerson({ db, files: openFileStore(process.env.DIALHOME_FILES ?? '.data/files'), now: () => new Date() }, input);
  process.stdout.write(`${person.name} can sign in as ${person.signIn}.\n`);
} catch (error) {
  if (!(error instanceof ServiceError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
} finally {
  await db.destroy();
}
