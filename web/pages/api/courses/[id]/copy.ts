import { copyCourse } from '@server/services/courses';
import { serve } from '@web/http/serve';

export const POST = serve('copyCourse', async (who, { params }) => ({ id: await copyCourse(who, params.id) }));
