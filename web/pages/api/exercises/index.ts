import { makeExercise } from '@server/services/exercises';
import { endpoint, readJson } from '@web/http/answer';
import { z } from 'zod';

export const POST = endpoint(async (who, { request }) => ({
  id: await makeExercise(who, (await readJson(request, z.object({ modelId: z.string().max(64) }))).modelId),
}));
