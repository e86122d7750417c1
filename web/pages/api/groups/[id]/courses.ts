import { giveCourse, takeCourseBack } from '@server/services/courses';
import { serve } from '@web/http/serve';

export const PUT = serve('giveCourse', async (who, { params, body: { courseId, ...plan } }) => {
  await giveCourse(who, params.id, courseId, plan);
  return {};
});
export const DELETE = serve('takeCourseBack', async (who, { params, body }) => {
  await takeCourseBack(who, params.id, body.courseId);
  return {};
});
