import { assignExercise, unassignExercise } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const POST = serve('assign', async (who, { params, body }) => {
  await assignExercise(who, { groupId: params.id, ...body });
  return {};
});
export const DELETE = serve('unassign', async (who, { params, body }) => {
  await unassignExercise(who, params.id, body.exerciseId);
  return {};
});
