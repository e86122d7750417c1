import { reviseModel } from '@server/services/models';
import { readForm } from '@web/http/body';
import { serve } from '@web/http/serve';

export const POST = serve('reviseModel', async (who, { params, context }) => {
  const { revision } = await reviseModel(who, params.id, () => readForm(context.request));
  return { revision: revision.revision };
});
