import { publish } from '@server/services/exercises';
import { serve } from '@web/http/serve';

export const POST = serve('publish', async (who, { params, body }) => {
  const { version, unchanged, warnings } = await publish(
    who,
    params.id,
    body.pictures.map((text) => (text === null ? null : new Uint8Array(Buffer.from(text, 'base64')))),
  );
  return { version, unchanged, warnings: [...warnings] };
});
