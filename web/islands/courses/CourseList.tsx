import type { CourseLine } from '@server/services/courses';
import { RowAction } from '@web/islands/library/RowAction';
import { call } from '@web/ui/api';

interface Props {
  readonly courses: readonly CourseLine[];
}

const counted = (n: number, one: string, many: string): string => `${n} ${n === 1 ? one : many}`;

/** Courses, each with its way to its units. */
export function CourseList({ courses }: Props) {
  const copy = async (id: string): Promise<void> => {
    const made = await call('copyCourse', { params: { id } });
    window.location.href = `/courses/${made.id}`;
  };
  const putAway = async (id: string, archived: boolean): Promise<void> => {
    await call('changeCourse', { params: { id }, body: { archived } });
    window.location.reload();
  };
  return (
    <ul className="grid gap-3 sm:grid-cols-2">
      {courses.map(({ id, name, units, exercises, groups, mine, shared, archived }) => (
        <li key={id} className="card px-5 py-4 hover:border-ink">
          <a className="font-semibold text-lg underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/courses/${id}`}>
            {name}
          </a>
          {!mine && <span className="ml-2 text-ink-soft text-sm">shared</span>}
          {mine && shared && <span className="ml-2 text-ink-soft text-sm">shared with others</span>}
          <p className="mt-1 text-ink-soft text-sm">
            {counted(units, 'unit', 'units')}, {counted(exercises, 'exercise', 'exercises')},{' '}
            {groups === 0 ? 'given to nobody yet' : `given to ${counted(groups, 'group', 'groups')}`}
          </p>
          <p className="mt-1 space-x-3">
            <RowAction label="Copy" name={name} act={() => copy(id)} />
            {mine && <RowAction label={archived ? 'Bring back' : 'Put away'} name={name} act={() => putAway(id, !archived)} />}
          </p>
        </li>
      ))}
    </ul>
  );
}
