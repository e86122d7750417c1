import { importModel } from '@server/services/models';
import { endpoint } from '@web/http/answer';
import { readModelForm } from '@web/http/modelForm';

export const POST = endpoint(async (who, { request }) => {
  const { model } = await importModel(who, await readModelForm(request));
  return { id: model.id };
});
