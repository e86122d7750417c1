import { putViewBack } from '@server/services/savedViews';
import { serve } from '@web/http/serve';

export const POST = serve('putViewBack', async (who, { params }) => {
  await putViewBack(who, params.id);
  return {};
});
