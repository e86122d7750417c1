import { putLandmarkBack } from '@server/services/landmarks';
import { serve } from '@web/http/serve';

export const POST = serve('putLandmarkBack', async (who, { params }) => {
  await putLandmarkBack(who, params.id);
  return {};
});
