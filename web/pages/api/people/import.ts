import { importPeople } from '@server/services/importing';
import { hashingFor } from '@server/services/passwords';
import { serve } from '@web/http/serve';

export const GET = serve('importing', async (who) => hashingFor(who));
export const POST = serve('importPeople', async (who, { body: { file, ...how } }) => importPeople(who, { bytes: Buffer.from(file, 'base64'), ...how }));
