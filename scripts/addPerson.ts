/** Adds the person described in NEW_PERSON; called by `npm run people`. */
import { alone, ensureDatabase, migrate } from '@server/database';
import { ServiceError } from '@server/errors';
import { openService, ownPlaces } from '@server/openService';
import { makePerson } from '@server/services/people';
import { z } from 'zod';

const input = z
  .object({ role: z.enum(['lead', 'instructor', 'trainee']), name: z.string(), signIn: z.string(), password: z.string() })
  .parse(JSON.parse(process.env.NEW_PERSON ?? '{}'));
const { url, folder } = ownPlaces();
await ensureDatabase(url);
const service = openService(url, folder);
try {
  await alone(url, () => migrate(service.db));
  const person = await makePerson(service, input);
  process.stdout.write(`${person.name} can sign in as ${person.signIn}.\n`);
} catch (error) {
  if (!(error instanceof ServiceError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
} finally {
  await service.close();
}
