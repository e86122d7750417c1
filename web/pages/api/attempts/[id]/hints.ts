import { hintOf } from '@server/services/attempts';
import { serve } from '@web/http/serve';

export const POST = serve('giveHint', async (who, { params, body }) => ({ words: await hintOf(who, params.id, body.step, body.number) }));
