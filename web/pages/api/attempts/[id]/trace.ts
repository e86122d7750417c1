import { getTrace } from '@server/services/attempts';
import { serve } from '@web/http/serve';

/** As it was kept, unread. */
export const GET = serve(
  'trace',
  async (who, { params }) =>
    new Response(new Uint8Array(await getTrace(who, params.id)), { headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' } }),
);
