import { handIn } from '@server/services/attempts';
import { MOST, readBytes } from '@web/http/body';
import { serve } from '@web/http/serve';

export const POST = serve('handIn', async (who, { params, context }) => {
  const { score, flashes } = await handIn(who, params.id, () => readBytes(context.request, MOST.handIn));
  return { score, flashes };
});
