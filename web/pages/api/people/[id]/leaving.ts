import { whatTheyLeave } from '@server/services/roster';
import { serve } from '@web/http/serve';

export const GET = serve('leavingOf', async (who, { params }) => whatTheyLeave(who, params.id));
