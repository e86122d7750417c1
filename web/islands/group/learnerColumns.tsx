import { SKILLS } from '@core/exercise';
import type { SchemeFamily } from '@core/input';
import { createColumnHelper } from '@tanstack/react-table';
import type { SkillLine } from '@web/islands/progress/skills';
import { FAMILY_WORDS } from '@web/ui/familyWords';
import { shownPoints } from '@web/ui/points';
import { chooseColumn, type features } from '@web/ui/VirtualTable';
import { formatDistanceStrict } from 'date-fns';
import type { AssignmentLine, Learner } from './learner';

const helper = createColumnHelper<typeof features, Learner>();

/** What the columns between the name and the last seen are. */
export type By = 'skills' | 'units' | 'exercises';

/** Colour, and with it a border, of a figure. */
const look = (score: number): string =>
  score >= 80 ? 'border-sea text-sea' : score >= 60 ? 'border-dashed border-amber text-amber' : 'border-dotted border-signal text-signal';

/** A learner's level of a skill under the chosen family; under all: the one with most attempts. */
function levelFor(learner: Learner, skill: string, family: SchemeFamily | ''): SkillLine | null {
  const found = learner.skills.filter((line) => line.skill === skill && (!family || line.family === family));
  return found.sort((a, b) => b.count - a.count)[0] ?? null;
}

function SkillCell({ learner, line }: { readonly learner: Learner; readonly line: SkillLine | null }) {
  if (!line)
    return (
      <span className="text-ink-soft" role="img" aria-label="not tried">
        ·
      </span>
    );
  const { shown, state, count, family, skill } = line;
  const words =
    state === 'few'
      ? `few: ${count} attempts with ${FAMILY_WORDS[family].toLowerCase()}`
      : `between ${shownPoints(shown.low)} and ${shownPoints(shown.high)}, from ${count} attempts with ${FAMILY_WORDS[family].toLowerCase()}${state === 'learning' ? '' : `, ${state}`}`;
  return (
    <a href={`/learners/${learner.id}#${skill}-${family}`} title={words} className="hover:underline">
      {state === 'few' ? (
        <span className="text-ink-soft text-xs">few</span>
      ) : (
        <span className={`inline-block min-w-10 rounded-md border-2 px-1.5 text-center font-mono ${look(shown.level)}`}>{shownPoints(shown.level)}</span>
      )}
    </a>
  );
}

/** The scores of the latest attempts as bars: no line joins attempts at different exercises. */
function LatestBars({ scores }: { readonly scores: readonly number[] }) {
  return (
    <svg
      width={scores.length * 6}
      height={20}
      role="img"
      aria-label={scores.length === 0 ? 'no attempts' : `latest attempts: ${scores.map(shownPoints).join(', ')}`}
      className="text-ink"
    >
      {scores.map((score, i) => (
        <rect key={i} x={i * 6} width={4} y={20 - Math.max(1, score / 5)} height={Math.max(1, score / 5)} fill="currentColor" />
      ))}
    </svg>
  );
}

/** A unit of a course as a column. */
export interface UnitColumn {
  readonly key: string;
  readonly name: string;
  readonly exerciseIds: readonly string[];
}

/** Exercises of a unit at which a learner has a flash. */
const flashedIn = ({ standings }: Learner, { exerciseIds }: UnitColumn): number =>
  standings.filter(({ exerciseId, flashes }) => flashes > 0 && exerciseIds.includes(exerciseId)).length;

interface ColumnChoice {
  readonly by: By;
  readonly learners: readonly Learner[];
  readonly assignments: readonly AssignmentLine[];
  readonly family: SchemeFamily | '';
  readonly now: string;
  readonly units: readonly UnitColumn[];
  /** The exercises that stand there; null: all. */
  readonly only: readonly string[] | null;
}

/** The columns of the learners' table. */
export function columnsFor({ by, learners, assignments, family, now, units, only }: ColumnChoice) {
  const name = helper.accessor('name', {
    header: 'Learner',
    enableHiding: false,
    sortFn: 'text',
    cell: ({ row }) => (
      <a className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink" href={`/learners/${row.original.id}`}>
        {row.original.name}
      </a>
    ),
  });
  const skills = SKILLS.filter(({ id }) => learners.some((learner) => learner.skills.some(({ skill }) => skill === id))).map(({ id, label }) =>
    helper.accessor((learner) => levelFor(learner, id, family)?.shown.level ?? -1, {
      id,
      header: label,
      sortDescFirst: true,
      cell: ({ row }) => <SkillCell learner={row.original} line={levelFor(row.original, id, family)} />,
    }),
  );
  const byUnit = units.map((each) =>
    helper.accessor((learner) => flashedIn(learner, each), {
      id: each.key,
      header: each.name,
      sortDescFirst: true,
      cell: ({ row }) => {
        const flashed = flashedIn(row.original, each);
        const all = each.exerciseIds.length;
        return (
          <a
            href={`/learners/${row.original.id}#by-exercise`}
            className={`whitespace-nowrap font-mono hover:underline ${all > 0 && flashed === all ? 'text-sea' : flashed === 0 ? 'text-ink-soft' : ''}`}
          >
            {flashed} of {all}
          </a>
        );
      },
    }),
  );
  const titles = new Map(assignments.map(({ exerciseId, title }) => [exerciseId, title]));
  // Those of all learners stand in one order.
  const exercises = (learners[0]?.standings ?? []).flatMap(({ exerciseId }, place) =>
    only && !only.includes(exerciseId)
      ? []
      : helper.accessor((learner) => learner.standings[place]?.best ?? -1, {
          id: exerciseId,
          header: titles.get(exerciseId) ?? '',
          sortDescFirst: true,
          cell: ({ row }) => {
            const standing = row.original.standings[place];
            if (!standing?.bestId || standing.best === null)
              return (
                <span className="text-ink-soft" role="img" aria-label="not tried">
                  ·
                </span>
              );
            return (
              <a href={`/attempts/${standing.bestId}/review`} title={`best of ${standing.attempts}`} className="hover:underline">
                <span className={`inline-block min-w-10 rounded-md border-2 px-1.5 text-center font-mono ${look(standing.best)}`}>
                  {shownPoints(standing.best)}
                </span>
              </a>
            );
          },
        }),
  );
  const stuckOn = helper.accessor(({ standings }) => standings.filter(({ stuck }) => stuck).length, {
    id: 'stuck',
    header: 'Stuck on',
    sortDescFirst: true,
    cell: ({ row }) => {
      const stuck = row.original.standings.filter((standing) => standing.stuck);
      return (
        <span className={`block max-w-32 truncate ${stuck.length > 0 ? 'text-signal' : ''}`}>
          {stuck.map(({ exerciseId }) => titles.get(exerciseId)).join(', ')}
        </span>
      );
    },
  });
  const latest = helper.accessor(({ latest: scores }) => scores.at(-1) ?? -1, {
    id: 'latest',
    header: 'Latest',
    sortDescFirst: true,
    cell: ({ row }) => <LatestBars scores={row.original.latest} />,
  });
  const seen = helper.accessor(({ lastAt }) => lastAt ?? '', {
    id: 'seen',
    header: 'Last seen',
    sortDescFirst: true,
    sortFn: 'text',
    cell: ({ row }) => (
      <span className="whitespace-nowrap text-ink-soft">
        {row.original.lastAt ? formatDistanceStrict(new Date(row.original.lastAt), now, { addSuffix: true }) : 'not yet'}
      </span>
    ),
  });
  return helper.columns([chooseColumn<Learner>(), name, ...(by === 'skills' ? skills : by === 'units' ? byUnit : exercises), latest, seen, stuckOn]);
}
