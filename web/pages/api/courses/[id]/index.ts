import { changeCourse, saveCourse } from '@server/services/courses';
import { serve } from '@web/http/serve';

export const PUT = serve('saveCourse', async (who, { params, body: { course, base } }) => saveCourse(who, params.id, course, base));
export const PATCH = serve('changeCourse', async (who, { params, body }) => {
  await changeCourse(who, params.id, body);
  return {};
});
