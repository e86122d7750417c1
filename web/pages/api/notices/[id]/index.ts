import { noticeRead } from '@server/services/messages';
import { serve } from '@web/http/serve';

export const DELETE = serve('noticeRead', async (who, { params }) => {
  await noticeRead(who, params.id);
  return {};
});
