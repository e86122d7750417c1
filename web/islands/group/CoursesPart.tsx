import { dayShort } from '@core/progress';
import type { CourseOfGroup } from '@server/services/courses';
import { type Givable, GiveCourse } from '@web/islands/courses/GiveCourse';
import { call, wordsOf } from '@web/ui/api';
import { Ask } from '@web/ui/Sheet';
import { useState } from 'react';
import { AssignmentMenu } from './AssignmentMenu';
import type { AssignmentLine, Learner } from './learner';

interface ListProps {
  readonly groupId: string;
  readonly learners: readonly Learner[];
  readonly assignments: readonly AssignmentLine[];
}

/** Exercises of a group, each with how many tried it and how well. */
function ExerciseList({ groupId, learners, assignments }: ListProps) {
  const standings = learners.map((learner) => new Map(learner.standings.map((standing) => [standing.exerciseId, standing])));
  return (
    <ul>
      {assignments.map((assignment) => {
        const mine = standings.map((each) => each.get(assignment.exerciseId));
        const tried = mine.filter((s) => (s?.attempts ?? 0) > 0);
        const best = tried.map((s) => s?.best ?? 0);
        const stuck = mine.filter((s) => s?.stuck).length;
        return (
          <li key={assignment.exerciseId} className="flex flex-wrap items-baseline justify-between gap-x-4 border-rule border-b py-1.5">
            <a className="min-w-0 truncate hover:underline" href={`/exercises/${assignment.exerciseId}`}>
              {assignment.title}
            </a>
            <span className="ml-auto whitespace-nowrap text-ink-soft text-sm">
              {tried.length} of {learners.length} tried
              {best.length > 0 && (
                <>
                  , mean best <span className="font-mono text-ink">{Math.round(best.reduce((s, b) => s + b, 0) / best.length)}</span>
                </>
              )}
              {stuck > 0 && <strong className="ml-2 text-signal">{stuck} stuck</strong>}
              <span className="ml-3 inline-block">
                <AssignmentMenu groupId={groupId} assignment={assignment} attempts={mine.reduce((sum, s) => sum + (s?.attempts ?? 0), 0)} />
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** How many learners have a flash in every one of these exercises. */
const finished = (learners: readonly Learner[], exerciseIds: readonly string[]): number =>
  exerciseIds.length === 0
    ? 0
    : learners.filter(({ standings }) => exerciseIds.every((id) => (standings.find(({ exerciseId }) => exerciseId === id)?.flashes ?? 0) > 0)).length;

interface Props extends Omit<ListProps, 'groupId'> {
  readonly courses: readonly CourseOfGroup[];
  /** Courses that can be given. */
  readonly givable: readonly Givable[];
  readonly group: { readonly id: string; readonly name: string };
  readonly today: string;
  /** The days whose attempts are counted, in words; empty: all. */
  readonly days: string;
}

/** What a group is given: its courses unit by unit, and the exercises beside them. */
export function CoursesPart({ group, learners, assignments, courses, givable, today, days }: Props) {
  const [giving, setGiving] = useState(false);
  const [changing, setChanging] = useState<string | null>(null);
  const [taking, setTaking] = useState<CourseOfGroup | null>(null);
  const [error, setError] = useState<string | null>(null);
  const inCourses = new Set(courses.flatMap(({ units }) => units.flatMap(({ exerciseIds }) => exerciseIds)));
  const alone = assignments.filter(({ exerciseId }) => !inCourses.has(exerciseId));
  const free = givable.filter(({ id }) => !courses.some(({ courseId }) => courseId === id));
  const takeBack = async (courseId: string): Promise<void> => {
    setError(null);
    try {
      await call('takeCourseBack', { params: { id: group.id }, body: { courseId } });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <section aria-labelledby="given" className="card p-5">
      <div className="mb-2 flex flex-wrap items-baseline justify-between gap-3">
        <h2 id="given" className="text-xl">
          What they practise
        </h2>
        <button type="button" className="button !py-1" onClick={() => setGiving(true)}>
          Give a course
        </button>
      </div>
      {days && <p className="text-ink-soft text-sm">Counted are attempts {days}.</p>}
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      {courses.map((course) => (
        <div key={course.courseId} className="mb-5" data-testid="course">
          <div className="flex flex-wrap items-baseline gap-x-3">
            <h3 className="text-lg">
              <a className="hover:underline" href={`/courses/${course.courseId}`}>
                {course.name}
              </a>
            </h3>
            <span className="text-ink-soft text-sm">
              {course.startsOn > today ? `begins on ${dayShort(course.startsOn)}` : `since ${dayShort(course.startsOn)}`}
            </span>
            <span className="ml-auto">
              <button type="button" className="button-quiet text-xs" onClick={() => setChanging(course.courseId)}>
                Change its days<span className="sr-only">: {course.name}</span>
              </button>
              <button type="button" className="button-quiet text-xs" onClick={() => setTaking(course)}>
                Take it back<span className="sr-only">: {course.name}</span>
              </button>
            </span>
          </div>
          <ol>
            {course.units.map((unit, i) => (
              <li key={unit.id}>
                <details>
                  <summary className="flex cursor-pointer items-baseline gap-2 border-rule border-b py-1.5 hover:bg-paper">
                    <span className="w-5 text-right font-mono text-ink-soft text-sm">{i + 1}</span>
                    <span className="min-w-0 flex-1 truncate">{unit.name}</span>
                    {unit.dueOn && <span className="whitespace-nowrap text-ink-soft text-sm">due {dayShort(unit.dueOn)}</span>}
                    <span className="whitespace-nowrap text-sm">
                      <span className="font-mono">{finished(learners, unit.exerciseIds)}</span> of <span className="font-mono">{learners.length}</span> done
                    </span>
                  </summary>
                  <div className="pl-7">
                    <ExerciseList
                      groupId={group.id}
                      learners={learners}
                      assignments={unit.exerciseIds.flatMap((id) => assignments.find(({ exerciseId }) => exerciseId === id) ?? [])}
                    />
                  </div>
                </details>
              </li>
            ))}
          </ol>
          {changing === course.courseId && (
            <GiveCourse
              open
              onOpenChange={() => setChanging(null)}
              courses={[{ id: course.courseId, name: course.name, units: course.units }]}
              groups={[group]}
              today={today}
              present={{
                startsOn: course.startsOn,
                pace: course.pace,
                dues: Object.fromEntries(course.units.flatMap(({ id, dueOn, set }) => (set && dueOn ? [[id, dueOn]] : []))),
              }}
            />
          )}
        </div>
      ))}
      {alone.length > 0 && (
        <div>
          {courses.length > 0 && <h3 className="text-lg">Beside the courses</h3>}
          <ExerciseList groupId={group.id} learners={learners} assignments={alone} />
        </div>
      )}
      {assignments.length === 0 && courses.length === 0 && (
        <p className="text-ink-soft">Nothing is given yet: give a course, or build an exercise, publish it and assign it to this group.</p>
      )}
      {free.length > 0 ? (
        <GiveCourse open={giving} onOpenChange={setGiving} courses={free} groups={[group]} today={today} />
      ) : (
        <Ask
          open={giving}
          onOpenChange={setGiving}
          title="Give a course"
          about="The group has every course there is. Make another one first."
          yes="Go to the courses"
          no="Not now"
          onYes={() => {
            window.location.href = '/courses';
          }}
        />
      )}
      <Ask
        open={taking !== null}
        onOpenChange={() => setTaking(null)}
        title="Take the course back?"
        about={`“${taking?.name ?? ''}” goes from Today of everybody in the group, with its dates. Attempts and cards stay, and count as before.`}
        yes="Take it back"
        no="Keep it"
        onYes={() => taking && void takeBack(taking.courseId)}
      />
    </section>
  );
}
