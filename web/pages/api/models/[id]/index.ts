import { changeModel } from '@server/services/models';
import { serve } from '@web/http/serve';

export const PATCH = serve('changeModel', async (who, { params, body }) => {
  await changeModel(who, params.id, body);
  return {};
});
