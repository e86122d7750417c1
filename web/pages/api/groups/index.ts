import { makeGroup } from '@server/services/people';
import { serve } from '@web/http/serve';

export const POST = serve('makeGroup', async (who, { body }) => ({ id: (await makeGroup(who, body.name)).id }));
