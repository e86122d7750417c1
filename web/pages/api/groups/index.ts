import { makeGroup } from '@server/services/people';
import { endpoint, readJson } from '@web/http/answer';
import { z } from 'zod';

export const POST = endpoint(async (who, { request }) => makeGroup(who, (await readJson(request, z.object({ name: z.string().max(200) }))).name));
