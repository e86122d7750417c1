import { progressCsv } from '@server/services/progress';
import { csv } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('personAttempts', async (who, { params }) => csv(await progressCsv(who, params.id), 'attempts'));
