import { landmarkSchema } from '@core';
import { landmarksRead, markLandmark } from '@server/services/landmarks';
import { endpoint, param, staffEndpoint } from '@web/http/answer';
import { readJson } from '@web/http/body';

export const GET = endpoint(async (who, context) => ({ landmarks: await landmarksRead(who, param(context, 'id')) }));
export const POST = staffEndpoint(async (who, context) => markLandmark(who, param(context, 'id'), await readJson(context.request, landmarkSchema)));
