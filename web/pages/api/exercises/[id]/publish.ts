import { publish } from '@server/services/exercises';
import { param, staffEndpoint } from '@web/http/answer';
import { MOST, readJson } from '@web/http/body';
import { z } from 'zod';

/** Pictures as base64 of a PNG. */
const body = z.object({ pictures: z.array(z.base64().max(1_500_000).nullable()).max(20) });

export const POST = staffEndpoint(async (who, context) => {
  const { pictures } = await readJson(context.request, body, MOST.pictures);
  return publish(
    who,
    param(context, 'id'),
    pictures.map((text) => (text === null ? null : new Uint8Array(Buffer.from(text, 'base64')))),
  );
});
