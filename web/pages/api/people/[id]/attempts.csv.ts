import { progressCsv } from '@server/services/progress';
import { csv, endpoint, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => csv(await progressCsv(who, param(context, 'id')), 'attempts'));
