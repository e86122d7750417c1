import { pictureBytes } from '@server/services/exercises';
import { immutable } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('targetPicture', async (who, { params }) =>
  immutable(await pictureBytes(who, params.exercise, Number(params.version), Number(params.step)), 'image/png'),
);
