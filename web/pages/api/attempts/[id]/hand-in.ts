import { handIn } from '@server/services/attempts';
import { endpoint, param } from '@web/http/answer';
import { MOST, readBytes } from '@web/http/body';

export const POST = endpoint(async (who, context) => {
  const { score, flashes } = await handIn(who, param(context, 'id'), () => readBytes(context.request, MOST.handIn));
  return { score, flashes };
});
