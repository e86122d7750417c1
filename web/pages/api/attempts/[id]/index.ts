import { attemptState } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';

export const GET = endpoint(async (who, context) => attemptState(who, param(context, 'id')));
