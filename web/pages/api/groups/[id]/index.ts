import { deleteGroup, renameGroup } from '@server/services/people';
import { serve } from '@web/http/serve';

export const PATCH = serve('renameGroup', async (who, { params, body }) => {
  await renameGroup(who, params.id, body.name);
  return {};
});

export const DELETE = serve('deleteGroup', async (who, { params }) => {
  await deleteGroup(who, params.id);
  return {};
});
