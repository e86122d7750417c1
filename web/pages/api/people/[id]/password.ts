import { resetPassword } from '@server/services/people';
import { endpoint, param } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ password: z.string().max(500), present: z.string().max(500).optional() });

export const POST = endpoint(async (who, context) =>
  resetPassword(who, param(context, 'id'), await readJson(context.request, body, MOST.signIn), context.locals.token),
);
