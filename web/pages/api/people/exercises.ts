import { giveToPeople } from '@server/services/assigning';
import { serve } from '@web/http/serve';

export const POST = serve('giveTo', async (who, { body }) => {
  await giveToPeople(who, { ...body, personIds: [...new Set(body.personIds)] });
  return {};
});
