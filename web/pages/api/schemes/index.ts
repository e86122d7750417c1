import { duplicateScheme, importScheme, schemesSeen } from '@server/services/schemes';
import { endpoint } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { z } from 'zod';

/** A new scheme is made from another one, or from a file's text. */
const body = z.union([z.object({ from: z.string().max(64) }), z.object({ file: z.string().max(2_000_000) })]);

export const GET = endpoint(async (who) => ({ schemes: await schemesSeen(who) }));
export const POST = endpoint(async (who, { request }) => {
  const asked = await readJson(request, body, MOST.draft);
  return 'from' in asked ? duplicateScheme(who, asked.from) : importScheme(who, asked.file);
});
