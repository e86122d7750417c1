import { takeFromPerson } from '@server/services/assigning';
import { serve } from '@web/http/serve';

export const DELETE = serve('takeFrom', async (who, { params, body }) => {
  await takeFromPerson(who, params.id, body.exerciseId);
  return {};
});
