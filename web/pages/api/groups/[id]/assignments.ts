import { assignExercise, unassignExercise } from '@server/services/exercises';
import { param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ exerciseId: z.string().max(64), dueOn: z.iso.date('choose a date').nullable().default(null) });

export const POST = staffEndpoint(async (who, context) => assignExercise(who, { groupId: param(context, 'id'), ...(await readJson(context.request, body)) }));
export const DELETE = staffEndpoint(async (who, context) =>
  unassignExercise(who, param(context, 'id'), (await readJson(context.request, body.pick({ exerciseId: true }))).exerciseId),
);
