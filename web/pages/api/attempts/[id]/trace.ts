import { traceSeen } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => traceSeen(who, param(context, 'id')));
