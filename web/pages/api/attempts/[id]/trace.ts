import { getTrace } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';

export const GET = endpoint(
  async (who, context) =>
    new Response(new Uint8Array(await getTrace(who, param(context, 'id'))), { headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' } }),
);
