import { shareScheme } from '@server/services/schemes';
import { param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ groupId: z.string().max(64), how: z.enum(['shared', 'locked', 'none']) });

export const POST = staffEndpoint(async (who, context) => {
  const { groupId, how } = await readJson(context.request, body);
  return shareScheme(who, param(context, 'id'), groupId, how);
});
