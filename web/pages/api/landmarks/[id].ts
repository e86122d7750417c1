import { removeLandmark, renameLandmark } from '@server/services/landmarks';
import { endpoint, param, readJson } from '@web/http/answer';
import { z } from 'zod';

export const PATCH = endpoint(async (who, context) => {
  const { name } = await readJson(context.request, z.object({ name: z.string().max(200) }));
  await renameLandmark(who, param(context, 'id'), name);
});
export const DELETE = endpoint(async (who, context) => removeLandmark(who, param(context, 'id')));
