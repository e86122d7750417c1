import { groupValues } from '@server/services/groupValues';
import { serve } from '@web/http/serve';

export const GET = serve('groupValues', async (who, { params }) => ({ steps: await groupValues(who, params.id, params.group) }));
