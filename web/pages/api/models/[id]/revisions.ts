import { reviseModel } from '@server/services/models';
import { endpoint, param } from '@web/http/answer';
import { readModelForm } from '@web/http/modelForm';

export const POST = endpoint(async (who, context) => {
  const { revision } = await reviseModel(who, param(context, 'id'), await readModelForm(context.request));
  return { revision: revision.revision };
});
