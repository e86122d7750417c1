import { removeScheme, saveScheme } from '@server/services/schemes';
import { serve } from '@web/http/serve';

export const PUT = serve('saveScheme', (who, { params, body }) => saveScheme(who, params.id, body.base, body.scheme));
export const DELETE = serve('removeScheme', async (who, { params }) => {
  await removeScheme(who, params.id);
  return {};
});
