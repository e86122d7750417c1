import { exercisesToGive, makeExercise } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const POST = serve('makeExercise', async (who, { body }) => ({ id: await makeExercise(who, body.modelId) }));

export const GET = serve('exercisesToGive', async (who) => ({ exercises: await exercisesToGive(who) }));
