import { reviseModel } from '@server/services/models';
import { param, staffEndpoint } from '@web/http/answer';
import { readForm } from '@web/http/body';

export const POST = staffEndpoint(async (who, context) => {
  const { revision } = await reviseModel(who, param(context, 'id'), () => readForm(context.request));
  return { revision: revision.revision };
});
