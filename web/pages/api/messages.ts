import { writeTo } from '@server/services/messages';
import { serve } from '@web/http/serve';

export const POST = serve('writeTo', async (who, { body: { personIds, words } }) => {
  await writeTo(who, personIds, words);
  return {};
});
