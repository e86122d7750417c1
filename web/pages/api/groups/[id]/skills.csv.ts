import { groupCsv } from '@server/services/progress';
import { csv } from '@web/http/answer';
import { serve } from '@web/http/serve';

export const GET = serve('groupSkills', async (who, { params }) => csv(await groupCsv(who, params.id), 'group-skills'));
