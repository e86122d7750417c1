import { removeNote } from '@server/services/notes';
import { serve } from '@web/http/serve';

export const DELETE = serve('removeNote', async (who, { params }) => {
  await removeNote(who, params.id);
  return {};
});
