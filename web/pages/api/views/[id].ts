import { keptSceneSchema } from '@core';
import { changeView, moveView, removeView } from '@server/services/savedViews';
import { endpoint, param } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({
  name: z.string().max(200).optional(),
  about: z.string().max(1000).optional(),
  scene: keptSceneSchema.optional(),
  move: z.union([z.literal(1), z.literal(-1)]).optional(),
});

export const PATCH = endpoint(async (who, context) => {
  const { move, ...change } = await readJson(context.request, body);
  await changeView(who, param(context, 'id'), change);
  if (move) await moveView(who, param(context, 'id'), move);
});
export const DELETE = endpoint(async (who, context) => removeView(who, param(context, 'id')));
