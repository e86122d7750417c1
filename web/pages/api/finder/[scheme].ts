import { findable } from '@server/services/finding';
import { serve } from '@web/http/serve';

export const GET = serve('findable', (who, { params }) => findable(who, params.scheme));
