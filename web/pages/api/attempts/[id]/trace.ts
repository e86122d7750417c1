import { traceSeen } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';

export const GET = endpoint(
  async (who, context) =>
    new Response(new Uint8Array(await traceSeen(who, param(context, 'id'))), { headers: { 'Content-Type': 'application/json', 'Cache-Control': 'no-store' } }),
);
