import { importPeople } from '@server/services/importing';
import { serve } from '@web/http/serve';

export const POST = serve('importPeople', async (who, { body: { file, ...how } }) => importPeople(who, { bytes: Buffer.from(file, 'base64'), ...how }));
