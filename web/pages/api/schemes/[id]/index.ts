import { schemeSchema } from '@core';
import { removeScheme, saveScheme } from '@server/services/schemes';
import { endpoint, param, readJson } from '@web/http/answer';
import { z } from 'zod';

const body = z.object({ base: z.number().int().min(1), scheme: schemeSchema });

export const PUT = endpoint(async (who, context) => {
  const { base, scheme } = await readJson(context.request, body);
  return saveScheme(who, param(context, 'id'), base, scheme);
});
export const DELETE = endpoint(async (who, context) => removeScheme(who, param(context, 'id')));
