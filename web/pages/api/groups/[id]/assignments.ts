import { assignExercise, moveToNewest, takeBack } from '@server/services/assigning';
import { serve } from '@web/http/serve';

export const POST = serve('assign', async (who, { params, body }) => {
  await assignExercise(who, { groupId: params.id, ...body });
  return {};
});
export const PATCH = serve('moveToNewest', async (who, { params, body: { exerciseId, ...correction } }) =>
  moveToNewest(who, params.id, exerciseId, correction),
);
export const DELETE = serve('takeBack', async (who, { params, body: { exerciseId, ...correction } }) => {
  await takeBack(who, params.id, exerciseId, correction);
  return {};
});
