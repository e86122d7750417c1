import { attemptState } from '@server/services/attempts';
import { serve } from '@web/http/serve';

export const GET = serve('attemptState', (who, { params }) => attemptState(who, params.id));
