import { editComment, removeComment } from '@server/services/comments';
import { serve } from '@web/http/serve';

export const PATCH = serve('editComment', async (who, { params, body }) => {
  await editComment(who, params.id, body.words);
  return {};
});

export const DELETE = serve('removeComment', async (who, { params }) => {
  await removeComment(who, params.id);
  return {};
});
