import { makeGroup } from '@server/services/people';
import { staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

export const POST = staffEndpoint(async (who, { request }) => makeGroup(who, (await readJson(request, z.object({ name: z.string().max(200) }))).name));
