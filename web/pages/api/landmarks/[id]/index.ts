import { removeLandmark, renameLandmark } from '@server/services/landmarks';
import { serve } from '@web/http/serve';

export const PATCH = serve('renameLandmark', async (who, { params, body }) => {
  await renameLandmark(who, params.id, body.name);
  return {};
});
export const DELETE = serve('removeLandmark', async (who, { params }) => {
  await removeLandmark(who, params.id);
  return {};
});
