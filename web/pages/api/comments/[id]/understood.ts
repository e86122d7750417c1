import { markUnderstood } from '@server/services/comments';
import { serve } from '@web/http/serve';

export const POST = serve('markUnderstood', async (who, { params, body }) => {
  await markUnderstood(who, params.id, body.understood);
  return {};
});
