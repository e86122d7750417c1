import { importModel } from '@server/services/models';
import { readForm } from '@web/http/body';
import { serve } from '@web/http/serve';

export const POST = serve('importModel', async (who, { context }) => {
  const { model } = await importModel(who, await readForm(context.request));
  return { id: model.id };
});
