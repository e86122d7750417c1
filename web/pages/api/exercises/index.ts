import { makeExercise } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const POST = serve('makeExercise', async (who, { body }) => ({ id: await makeExercise(who, body.modelId) }));
