import { Flashes } from '@web/ui/Flashes';
import { shownPoints } from '@web/ui/points';
import { formatDistance } from 'date-fns';
import { AssignmentMenu } from './AssignmentMenu';
import { LearnersTable } from './LearnersTable';
import type { Learner } from './learner';

interface Props {
  /** When the page was made: what is told as so long ago is the same there and here. */
  readonly now: string;
  readonly learners: readonly Learner[];
  readonly groupId: string;
  readonly assignments: readonly { readonly exerciseId: string; readonly title: string; readonly version: number; readonly newest: number }[];
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

/** Learners by skills and exercises, what each exercise looks like, who needs a word, and the newest attempts. */
export function GroupScreen({ groupId, learners, assignments, recent, now }: Props) {
  const concerns = learners.flatMap((learner) => learner.concerns.map((concern) => ({ learner, ...concern })));
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
      <LearnersTable learners={learners} now={now} />
      <div className="grid gap-6 lg:grid-cols-2">
        <section aria-labelledby="exercises" className="card p-5">
          <h2 id="exercises" className="mb-2 text-xl">
            By exercise
          </h2>
          <ul>
            {assignments.map((assignment) => {
              const mine = learners.map((l) => l.standings.find((s) => s.exerciseId === assignment.exerciseId));
              const tried = mine.filter((s) => (s?.attempts ?? 0) > 0);
              const best = tried.map((s) => s?.best ?? 0);
              return (
                <li key={assignment.exerciseId} className="flex items-baseline justify-between gap-4 border-rule border-b py-1.5">
                  <span className="truncate">{assignment.title}</span>
                  <span className="whitespace-nowrap text-ink-soft text-sm">
                    {tried.length} of {learners.length} tried
                    {best.length > 0 && (
                      <>
                        , mean best <span className="font-mono text-ink">{Math.round(best.reduce((s, b) => s + b, 0) / best.length)}</span>
                      </>
                    )}
                    {mine.some((s) => s?.stuck) && <strong className="ml-2 text-signal">{mine.filter((s) => s?.stuck).length} stuck</strong>}
                    <span className="ml-3 inline-block">
                      <AssignmentMenu groupId={groupId} assignment={assignment} attempts={mine.reduce((sum, s) => sum + (s?.attempts ?? 0), 0)} />
                    </span>
                  </span>
                </li>
              );
            })}
          </ul>
          {assignments.length === 0 && <p className="text-ink-soft">Nothing is assigned: build an exercise, publish it and assign it to this group.</p>}
        </section>
        <section aria-labelledby="recent" className="card p-5">
          <h2 id="recent" className="mb-2 text-xl">
            Newest attempts
          </h2>
          <ul>
            {recent.slice(0, 14).map((a) => (
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
