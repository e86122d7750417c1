import { shareScheme } from '@server/services/schemes';
import { endpoint, param, readJson } from '@web/http/answer';
import { z } from 'zod';

const body = z.object({ groupId: z.string().max(64), how: z.enum(['shared', 'locked', 'none']) });

export const POST = endpoint(async (who, context) => {
  const { groupId, how } = await readJson(context.request, body);
  return shareScheme(who, param(context, 'id'), groupId, how);
});
