import { addToGroup } from '@server/services/people';
import { param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ name: z.string().max(200), signIn: z.string().max(200), password: z.string().max(500), role: z.enum(['instructor', 'trainee']) });

export const POST = staffEndpoint(async (who, context) => {
  const person = await addToGroup(who, param(context, 'id'), await readJson(context.request, body));
  return { id: person.id };
});
