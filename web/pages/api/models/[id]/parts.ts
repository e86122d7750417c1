import { nameParts } from '@server/services/models';
import { serve } from '@web/http/serve';

export const POST = serve('nameParts', async (who, { params, body }) => nameParts(who, params.id, body));
