import { importModel } from '@server/services/models';
import { staffEndpoint } from '@web/http/answer';
import { readForm } from '@web/http/body';

export const POST = staffEndpoint(async (who, { request }) => {
  const { model } = await importModel(who, await readForm(request));
  return { id: model.id };
});
