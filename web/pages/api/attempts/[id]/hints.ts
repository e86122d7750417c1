import { hintOf } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';
import { readJson } from '@web/http/body';
import { z } from 'zod';

const body = z.object({ step: z.number().int().min(0).max(100), number: z.number().int().min(0).max(10) });

export const POST = endpoint(async (who, context) => {
  const { step, number } = await readJson(context.request, body);
  return { words: await hintOf(who, param(context, 'id'), step, number) };
});
