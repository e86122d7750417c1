import { openAttempt } from '@server/services/attempts';
import { endpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ exerciseId: z.string().max(64), version: z.number().int(), schemeId: z.string().max(64) });

export const POST = endpoint(async (who, { request }) => openAttempt(who, await readJson(request, body)));
