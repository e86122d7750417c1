import { landmarkRemoved, landmarksRead, markLandmark } from '@server/services/landmarks';
import { serve } from '@web/http/serve';

export const GET = serve('landmarks', async (who, { params }) => ({
  landmarks: await landmarksRead(who, params.id),
  removed: await landmarkRemoved(who, params.id),
}));
export const POST = serve('markLandmark', async (who, { params, body }) => ({ id: (await markLandmark(who, params.id, body)).id }));
