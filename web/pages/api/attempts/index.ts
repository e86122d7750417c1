import { openAttempt } from '@server/services/attempts';
import { serve } from '@web/http/serve';

export const POST = serve('openAttempt', (who, { body }) => openAttempt(who, body));
