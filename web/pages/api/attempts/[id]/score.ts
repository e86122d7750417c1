import { setScore } from '@server/services/verdicts';
import { serve } from '@web/http/serve';

export const POST = serve('setScore', async (who, { params, body }) => {
  await setScore(who, params.id, body.set);
  return {};
});
