import { addComment, commentsSeen } from '@server/services/comments';
import { serve } from '@web/http/serve';

export const GET = serve('comments', async (who, { params }) => ({ comments: await commentsSeen(who, params.id) }));

export const POST = serve('addComment', async (who, { params, body }) => ({ id: await addComment(who, params.id, body) }));
