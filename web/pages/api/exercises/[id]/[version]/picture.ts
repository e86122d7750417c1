import { exercisePicture } from '@server/services/drawn';
import { immutable } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('exercisePicture', async (who, { params }) => immutable(await exercisePicture(who, params.id, Number(params.version)), 'image/png'));
