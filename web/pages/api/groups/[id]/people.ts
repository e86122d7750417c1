import { addToGroup } from '@server/services/people';
import { serve } from '@web/http/serve';

export const POST = serve('addPerson', async (who, { params, body }) => ({ id: (await addToGroup(who, params.id, body)).id }));
