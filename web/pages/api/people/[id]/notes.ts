import { addNote } from '@server/services/notes';
import { serve } from '@web/http/serve';

export const POST = serve('addNote', async (who, { params, body }) => ({ id: await addNote(who, params.id, body.words) }));
