import { SKILLS } from '@core/exercise';
import type { SchemeFamily } from '@core/input';
import type { Level } from '@core/progress';
import { Flashes } from '@web/ui/Flashes';
import { FAMILY_WORDS } from '@web/ui/familyWords';
import { shownPoints } from '@web/ui/points';
import { formatDistanceToNow } from 'date-fns';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useState } from 'react';
import { AssignmentMenu } from './AssignmentMenu';
import { concernsOf } from './concernsOf';

export interface Learner {
  readonly id: string;
  readonly name: string;
  readonly skills: readonly { readonly skill: string; readonly family: SchemeFamily; readonly level: Level }[];
  readonly standings: readonly {
    readonly exerciseId: string;
    readonly title: string;
    readonly attempts: number;
    readonly best: number | null;
    readonly flashes: number;
    readonly stuck: boolean;
  }[];
  readonly lastAt: string | null;
}

interface Props {
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

/** A learner's best-known level of a skill under the chosen family; under all: the one with most attempts. */
function levelFor(learner: Learner, skill: string, family: SchemeFamily | ''): Level | null {
  const found = learner.skills.filter((s) => s.skill === skill && (!family || s.family === family));
  return found.sort((a, b) => b.level.count - a.level.count)[0]?.level ?? null;
}

const kind = (score: number): string =>
  score >= 80 ? 'border-sea text-sea' : score >= 60 ? 'border-amber text-amber border-dashed' : 'border-signal text-signal border-dotted';

/** Learners by skills, what each exercise looks like, who needs a word, and the newest attempts. */
export function GroupScreen({ groupId, learners, assignments, recent }: Props) {
  const [family, setFamily] = useState<SchemeFamily | ''>('');
  const [sort, setSort] = useState<{ by: string; down: boolean }>({ by: 'name', down: false });
  const skills = SKILLS.filter((skill) => learners.some((l) => l.skills.some((s) => s.skill === skill.id)));
  const concerns = concernsOf(learners, new Date());
  const rows = useMemo(() => {
    const value = (l: Learner): string | number => (sort.by === 'name' ? l.name : (levelFor(l, sort.by, family)?.score ?? -1));
    return [...learners].sort((a, b) => {
      const [x, y] = [value(a), value(b)];
      const order = typeof x === 'string' ? x.localeCompare(String(y)) : x - (y as number);
      return sort.down ? -order : order;
    });
  }, [learners, sort, family]);
  const head = (by: string, label: string) => (
    <th key={by} className="px-1 py-2 text-left font-normal" aria-sort={sort.by === by ? (sort.down ? 'descending' : 'ascending') : undefined}>
      <button
        type="button"
        className="flex items-center gap-1 whitespace-nowrap hover:underline"
        onClick={() => setSort({ by, down: sort.by === by ? !sort.down : by !== 'name' })}
      >
        {label}
        {sort.by === by && (sort.down ? <ArrowDown size={13} aria-hidden="true" /> : <ArrowUp size={13} aria-hidden="true" />)}
      </button>
    </th>
  );
  return (
    <div className="mt-6 space-y-6">
      {concerns.length > 0 && (
        <section aria-labelledby="concerns" className="rounded-xl border-2 border-ink bg-card p-5">
          <h2 id="concerns" className="text-xl">
            Who needs a word
          </h2>
          <ul className="mt-2 grid gap-x-10 gap-y-1.5 sm:grid-cols-2">
            {concerns.map(({ learner, words }) => (
              <li key={`${learner.id}${words}`}>
                <a className="font-semibold underline" href={`/learners/${learner.id}`}>
                  {learner.name}
                </a>{' '}
                {words}
              </li>
            ))}
          </ul>
        </section>
      )}
      <section aria-labelledby="skills" className="card overflow-x-auto p-5">
        <div className="mb-2 flex items-center justify-between gap-4">
          <h2 id="skills" className="text-xl">
            Learners by skill
          </h2>
          <select aria-label="Scheme family" className="field !w-auto !py-1" value={family} onChange={(e) => setFamily(e.target.value as SchemeFamily | '')}>
            <option value="">All schemes</option>
            {(['mouse', 'touch', 'keyboard', 'puck'] as const).map((f) => (
              <option key={f} value={f}>
                {FAMILY_WORDS[f]}
              </option>
            ))}
          </select>
        </div>
        {learners.length === 0 ? (
          <p className="text-ink-soft">Nobody is in this group yet: add its first trainee above.</p>
        ) : (
          <table className="w-full text-sm">
            <thead>
              <tr className="border-ink border-b text-ink-soft">
                {head('name', 'Learner')}
                {skills.map((skill) => head(skill.id, skill.label))}
              </tr>
            </thead>
            <tbody>
              {rows.map((learner) => (
                <tr key={learner.id} className="border-rule border-b">
                  <th scope="row" className="whitespace-nowrap px-1 py-2 text-left font-semibold">
                    <a className="underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/learners/${learner.id}`}>
                      {learner.name}
                    </a>
                  </th>
                  {skills.map((skill) => {
                    const level = levelFor(learner, skill.id, family);
                    return (
                      <td key={skill.id} className="px-1">
                        {level ? (
                          <span
                            className={`inline-block min-w-10 rounded-md border-2 px-1.5 text-center font-mono ${kind(level.score)}`}
                            title={`${shownPoints(level.score)} ± ${Math.round(level.spread)} from ${level.count} attempts`}
                          >
                            {shownPoints(level.score)}
                          </span>
                        ) : (
                          <span className="text-ink-soft" role="img" aria-label="too few attempts">
                            ·
                          </span>
                        )}
                      </td>
                    );
                  })}
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-2 text-ink-soft text-xs">A level is the mean of the last five scores, from three attempts on.</p>
      </section>
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
                  <span className="whitespace-nowrap text-ink-soft text-xs">{formatDistanceToNow(new Date(a.at), { addSuffix: true })}</span>
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
