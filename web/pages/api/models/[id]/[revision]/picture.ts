import { modelPicture } from '@server/services/drawn';
import { immutable } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('modelPicture', async (who, { params }) => immutable(await modelPicture(who, params.id, Number(params.revision)), 'image/png'));
