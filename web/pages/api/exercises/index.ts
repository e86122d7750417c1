import { makeExercise } from '@server/services/exercises';
import { staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

export const POST = staffEndpoint(async (who, { request }) => ({
  id: await makeExercise(who, (await readJson(request, z.object({ modelId: z.string().max(64) }))).modelId),
}));
