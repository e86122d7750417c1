import { keptSceneSchema } from '@core';
import { savedViewsRead, saveView } from '@server/services/savedViews';
import { endpoint, param } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ name: z.string().max(200), about: z.string().max(1000).default(''), forAll: z.boolean().default(false), scene: keptSceneSchema });

export const GET = endpoint(async (who, context) => ({ views: await savedViewsRead(who, param(context, 'id')) }));
export const POST = endpoint(async (who, context) => saveView(who, param(context, 'id'), await readJson(context.request, body)));
