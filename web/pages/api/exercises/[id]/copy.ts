import { copyExercise } from '@server/services/exercises';
import { endpoint, param } from '@web/http/answer';

export const POST = endpoint(async (who, context) => ({ id: await copyExercise(who, param(context, 'id')) }));
