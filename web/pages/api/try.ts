import { traceSchema } from '@core';
import { tryOut } from '@server/services/attempts';
import { draftSchema } from '@server/services/exercises';
import { endpoint, readJson } from '@web/http/answer';
import { z } from 'zod';

export const POST = endpoint(async (who, { request }) => {
  const { content, trace } = await readJson(request, z.object({ content: draftSchema, trace: traceSchema }));
  return tryOut(who, content, trace);
});
