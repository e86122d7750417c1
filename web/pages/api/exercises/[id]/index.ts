import { saveDraft } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const PUT = serve('saveDraft', async (who, { params, body }) => {
  await saveDraft(who, params.id, body);
  return {};
});
