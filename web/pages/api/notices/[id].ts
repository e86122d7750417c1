import { noticeRead } from '@server/services/assigning';
import { serve } from '@web/http/serve';

export const DELETE = serve('noticeRead', async (who, { params }) => {
  await noticeRead(who, params.id);
  return {};
});
