import { copyExercise } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const POST = serve('copyExercise', async (who, { params }) => ({ id: await copyExercise(who, params.id) }));
