import { answerTo } from '@server/services/messages';
import { serve } from '@web/http/serve';

export const POST = serve('answerTo', async (who, { params, body }) => {
  await answerTo(who, params.id, body.words);
  return {};
});
