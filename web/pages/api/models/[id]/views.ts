import { savedViewsRead, saveView, viewRemoved } from '@server/services/savedViews';
import { serve } from '@web/http/serve';

export const GET = serve('views', async (who, { params }) => ({ views: await savedViewsRead(who, params.id), removed: await viewRemoved(who, params.id) }));
export const POST = serve('keepView', async (who, { params, body }) => ({ id: (await saveView(who, params.id, body)).id }));
