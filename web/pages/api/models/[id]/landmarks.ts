import { landmarkSchema } from '@core';
import { landmarksRead, markLandmark } from '@server/services/landmarks';
import { endpoint, param, readJson } from '@web/http/answer';

export const GET = endpoint(async (who, context) => ({ landmarks: await landmarksRead(who, param(context, 'id')) }));
export const POST = endpoint(async (who, context) => markLandmark(who, param(context, 'id'), await readJson(context.request, landmarkSchema)));
