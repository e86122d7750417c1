import { leaveOut } from '@server/services/verdicts';
import { serve } from '@web/http/serve';

export const POST = serve('leaveOut', async (who, { params, body }) => {
  await leaveOut(who, params.id, body.why);
  return {};
});
