import { hintOf } from '@server/services/attempts';
import { serve } from '@web/http/serve';
import { htmlOf } from '@web/ui/markdown';

export const POST = serve('giveHint', async (who, { params, body }) => ({ html: htmlOf(await hintOf(who, params.id, body.step, body.number)) }));
