import { groupCsv } from '@server/services/progress';
import { csv, param, staffEndpoint } from '@web/http/answer';

export const GET = staffEndpoint(async (who, context) => csv(await groupCsv(who, param(context, 'id')), 'group-skills'));
