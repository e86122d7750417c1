import { previewPeople } from '@server/services/importing';
import { serve } from '@web/http/serve';

export const POST = serve('previewPeople', async (who, { body: { file, encoding } }) => previewPeople(who, { bytes: Buffer.from(file, 'base64'), encoding }));
