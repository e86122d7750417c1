import { editing } from '@server/services/editing';
import { serve } from '@web/http/serve';

export const POST = serve('editing', async (who, { params, body: { page, left } }) => ({ others: await editing(who, params.id, page, left ?? false) }));
