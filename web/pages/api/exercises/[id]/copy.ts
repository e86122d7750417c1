import { copyExercise } from '@server/services/exercises';
import { param, staffEndpoint } from '@web/http/answer';

export const POST = staffEndpoint(async (who, context) => ({ id: await copyExercise(who, param(context, 'id')) }));
