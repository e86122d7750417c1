import type { CourseOfGroup } from '@server/services/courses';
import type { Dates } from '@server/services/progress';
import type { Givable } from '@web/islands/courses/GiveCourse';
import { Flashes } from '@web/ui/Flashes';
import type { Named } from '@web/ui/named';
import { shownPoints } from '@web/ui/points';
import { formatDistance } from 'date-fns';
import { useMemo } from 'react';
import { CoursesPart } from './CoursesPart';
import { datesWords } from './DatesForm';
import { LearnersTable } from './LearnersTable';
import type { AssignmentLine, Learner } from './learner';

export interface Props {
  /** When the page was made: what is told as so long ago is the same there and here. */
  readonly now: string;
  readonly learners: readonly Learner[];
  /** Of which days attempts are told. */
  readonly dates: Dates;
  readonly group: Named;
  /** Groups that the one who looks teaches. */
  readonly groups: readonly Named[];
  readonly assignments: readonly AssignmentLine[];
  readonly courses: readonly CourseOfGroup[];
  /** Courses that can be given. */
  readonly givable: readonly Givable[];
  /** Today where the station is, yyyy-mm-dd. */
  readonly today: string;
  /** The newest attempts. */
  readonly recent: readonly {
    readonly id: string;
    readonly personName: string;
    readonly title: string;
    readonly score: number;
    readonly flashes: number;
    readonly at: string;
    readonly late: boolean;
  }[];
}

/** The screen from its data as JSON: a page that hands thousands of figures over one by one takes several times as long. */
export function GroupFrom({ json }: { readonly json: string }) {
  const props: Props = useMemo(() => JSON.parse(json), [json]);
  return <GroupScreen {...props} />;
}

/** Learners by skills and exercises, what each exercise looks like, who needs a word, and the newest attempts. */
export function GroupScreen({ group, groups, learners, assignments, courses, givable, recent, dates, now, today }: Props) {
  const concerns = learners.flatMap((learner) => learner.concerns.map((concern) => ({ learner, ...concern })));
  const given = { group, learners, assignments, courses, givable, today };
  return (
    <div className="mt-6 space-y-6">
      {concerns.length > 0 && (
        <section aria-labelledby="concerns" className="rounded-xl border-2 border-ink bg-card p-5">
          <h2 id="concerns" className="text-xl">
            Who needs a word
          </h2>
          <ul className="mt-2 grid gap-x-10 gap-y-1.5 sm:grid-cols-2">
            {concerns.map(({ learner, kind, words, attemptId }) => (
              <li key={`${learner.id}${kind}${words}`}>
                <a className="font-semibold underline" href={`/learners/${learner.id}`}>
                  {learner.name}
                </a>{' '}
                {words}
                {attemptId && (
                  <>
                    {' · '}
                    <a className="underline" href={`/attempts/${attemptId}/review`}>
                      see it<span className="sr-only">: {learner.name}</span>
                    </a>
                  </>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      <LearnersTable groupId={group.id} groups={groups} learners={learners} assignments={assignments} courses={courses} dates={dates} today={today} now={now} />
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-2">
        <CoursesPart {...given} days={datesWords(dates)} />
        <section aria-labelledby="recent" className="card p-5">
          <h2 id="recent" className="mb-2 text-xl">
            Newest attempts
          </h2>
          {recent.length === 0 && <p className="text-ink-soft">{dates.from || dates.to ? 'None in these days.' : 'None yet.'}</p>}
          <ul>
            {recent.map((a) => (
              <li key={a.id}>
                <a href={`/attempts/${a.id}/review`} className="flex items-baseline gap-3 border-rule border-b py-1.5 hover:bg-paper">
                  <span className="w-28 shrink-0 truncate font-semibold">{a.personName}</span>
                  <span className="flex-1 truncate">
                    {a.title}
                    {a.late && <span className="text-ink-soft text-xs"> · handed in later</span>}
                  </span>
                  <span className="whitespace-nowrap text-ink-soft text-xs">{formatDistance(new Date(a.at), now, { addSuffix: true })}</span>
                  <span className="font-mono">{shownPoints(a.score)}</span>
                  <Flashes count={a.flashes} />
                </a>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}
