import { giveExtraTime } from '@server/services/notes';
import { serve } from '@web/http/serve';

export const PUT = serve('giveExtraTime', async (who, { params, body }) => {
  await giveExtraTime(who, params.id, body);
  return {};
});
