import { resetPassword } from '@server/services/people';
import { endpoint, param, readJson } from '@web/http/answer';
import { z } from 'zod';

export const POST = endpoint(async (who, context) =>
  resetPassword(who, param(context, 'id'), (await readJson(context.request, z.object({ password: z.string().max(500) }))).password),
);
