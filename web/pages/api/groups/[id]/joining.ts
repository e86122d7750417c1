import { closeJoining, openJoining } from '@server/services/joining';
import { serve } from '@web/http/serve';

export const POST = serve('openJoining', async (who, { params, body }) => {
  await openJoining(who, params.id, body.days);
  return {};
});

export const DELETE = serve('closeJoining', async (who, { params }) => {
  await closeJoining(who, params.id);
  return {};
});
