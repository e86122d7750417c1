import { schemeSchema } from '@core';
import { removeScheme, saveScheme } from '@server/services/schemes';
import { endpoint, param } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ base: z.number().int().min(1), scheme: schemeSchema });

export const PUT = endpoint(async (who, context) => {
  const { base, scheme } = await readJson(context.request, body);
  return saveScheme(who, param(context, 'id'), base, scheme);
});
export const DELETE = endpoint(async (who, context) => removeScheme(who, param(context, 'id')));
