import { movePeople } from '@server/services/roster';
import { serve } from '@web/http/serve';

export const POST = serve('movePeople', async (who, { body: { personIds, from, to } }) => {
  await movePeople(who, [...new Set(personIds)], { from, to });
  return {};
});
