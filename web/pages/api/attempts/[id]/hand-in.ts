import { traceSchema } from '@core';
import { handIn } from '@server/services/attempts';
import { endpoint, param, readJson } from '@web/http/answer';

export const POST = endpoint(async (who, context) => {
  const card = await handIn(who, param(context, 'id'), await readJson(context.request, traceSchema));
  return { score: card.score, flashes: card.flashes };
});
