import { THRESHOLD } from '@core';
import { makeCourse } from '@server/services/courses';
import { serve } from '@web/http/serve';

export const POST = serve('makeCourse', async (who, { body: { name } }) => ({
  id: await makeCourse(who, { name, about: '', threshold: THRESHOLD, units: [] }),
}));
