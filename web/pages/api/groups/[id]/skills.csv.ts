import { groupCsv } from '@server/services/progress';
import { csv, endpoint, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => csv(await groupCsv(who, param(context, 'id')), 'group-skills'));
