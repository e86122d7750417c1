import { resetPassword } from '@server/services/people';
import { serve } from '@web/http/serve';

export const POST = serve('setPassword', async (who, { params, body, context }) => {
  await resetPassword(who, params.id, body, context.locals.token);
  return {};
});
