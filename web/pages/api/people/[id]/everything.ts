import { wholePerson } from '@server/services/wholePerson';
import { serve } from '@web/http/serve';

export const GET = serve('wholePerson', async (who, { params }) => {
  const { name, bytes } = await wholePerson(who, params.id);
  return new Response(bytes, {
    headers: { 'Content-Type': 'application/zip', 'Content-Disposition': `attachment; filename="${name}"`, 'Cache-Control': 'no-store' },
  });
});
