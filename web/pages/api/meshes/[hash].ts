import { meshBytes } from '@server/services/models';
import { endpoint, immutable, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => immutable(await meshBytes(who, param(context, 'hash')), 'application/octet-stream'));
