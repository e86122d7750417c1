import { removeLandmark, renameLandmark } from '@server/services/landmarks';
import { param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

export const PATCH = staffEndpoint(async (who, context) => {
  const { name } = await readJson(context.request, z.object({ name: z.string().max(200) }));
  await renameLandmark(who, param(context, 'id'), name);
});
export const DELETE = staffEndpoint(async (who, context) => removeLandmark(who, param(context, 'id')));
