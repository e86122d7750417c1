import { commentsRead } from '@server/services/comments';
import { serve } from '@web/http/serve';

export const POST = serve('commentsRead', async (who, { params }) => {
  await commentsRead(who, params.id);
  return {};
});
