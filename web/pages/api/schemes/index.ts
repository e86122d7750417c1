import { duplicateScheme, importScheme, schemesSeen } from '@server/services/schemes';
import { serve } from '@web/http/serve';

export const GET = serve('schemes', async (who) => ({ schemes: await schemesSeen(who) }));
export const POST = serve('makeScheme', (who, { body }) => ('from' in body ? duplicateScheme(who, body.from) : importScheme(who, body.file)));
