import { shareScheme } from '@server/services/schemes';
import { serve } from '@web/http/serve';

export const POST = serve('shareScheme', async (who, { params, body }) => {
  await shareScheme(who, params.id, body.groupId, body.how);
  return {};
});
