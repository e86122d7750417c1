import { call } from '@web/ui/api';
import { NameSheet } from '@web/ui/NameSheet';

export function NewCourse() {
  return <NameSheet label="New course" longest={120} make={async (name) => `/courses/${(await call('makeCourse', { body: { name } })).id}`} />;
}
