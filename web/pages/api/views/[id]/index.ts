import { changeView, moveView, removeView } from '@server/services/savedViews';
import { serve } from '@web/http/serve';

export const PATCH = serve('changeView', async (who, { params, body: { move, ...change } }) => {
  await changeView(who, params.id, change);
  if (move) await moveView(who, params.id, move);
  return {};
});
export const DELETE = serve('removeView', async (who, { params }) => {
  await removeView(who, params.id);
  return {};
});
