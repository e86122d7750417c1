import { SKILLS } from '@core/exercise';
import type { SchemeFamily } from '@core/input';
import {
  type ColumnVisibilityState,
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  type SortingState,
  sortFn_text,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import type { SkillLine } from '@web/islands/progress/skills';
import { FAMILIES, FAMILY_WORDS } from '@web/ui/familyWords';
import { shownPoints } from '@web/ui/points';
import { formatDistanceStrict } from 'date-fns';
import { ArrowDown, ArrowUp, Columns3 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Learner } from './learner';

const features = tableFeatures({ columnVisibilityFeature, rowSortingFeature, sortedRowModel: createSortedRowModel(), sortFns: { text: sortFn_text } });
const helper = createColumnHelper<typeof features, Learner>();

/** What the columns between the name and the last seen are. */
type By = 'skills' | 'exercises';

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

function columnsFor(by: By, learners: readonly Learner[], family: SchemeFamily | '', now: string) {
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
  const exercises = (learners[0]?.standings ?? []).map(({ exerciseId, title }, place) =>
    helper.accessor((learner) => learner.standings[place]?.best ?? -1, {
      id: exerciseId,
      header: title,
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
      return <span className={`block max-w-32 truncate ${stuck.length > 0 ? 'text-signal' : ''}`}>{stuck.map(({ title }) => title).join(', ')}</span>;
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
  return helper.columns([name, ...(by === 'skills' ? skills : exercises), latest, seen, stuckOn]);
}

const COLUMNS_KEY = 'dial-home group columns';
const ROW = 37;

/** Which columns stand there, as it was chosen on this machine; those not named do. */
function useChosenColumns(): [ColumnVisibilityState, (next: ColumnVisibilityState | ((now: ColumnVisibilityState) => ColumnVisibilityState)) => void] {
  const [visible, setVisible] = useState<ColumnVisibilityState>({});
  useEffect(() => {
    try {
      setVisible(JSON.parse(localStorage.getItem(COLUMNS_KEY) ?? '{}'));
    } catch {
      // What another program kept under this name is not ours to read.
    }
  }, []);
  return [
    visible,
    (next) => {
      setVisible((now) => {
        const changed = typeof next === 'function' ? next(now) : next;
        localStorage.setItem(COLUMNS_KEY, JSON.stringify(changed));
        return changed;
      });
    },
  ];
}

/** Learners by skills or by exercises; hundreds of rows scroll, columns are chosen and stay so. `now`: when the page was made. */
export function LearnersTable({ learners, now }: { readonly learners: readonly Learner[]; readonly now: string }) {
  const [by, setBy] = useState<By>('skills');
  const [family, setFamily] = useState<SchemeFamily | ''>('');
  const [sorting, setSorting] = useState<SortingState>([{ id: 'name', desc: false }]);
  const [columnVisibility, setColumnVisibility] = useChosenColumns();
  const data = useMemo(() => [...learners], [learners]);
  const columns = useMemo(() => columnsFor(by, learners, family, now), [by, learners, family, now]);
  const table = useTable({
    features,
    columns,
    data,
    state: { sorting, columnVisibility },
    onSortingChange: setSorting,
    onColumnVisibilityChange: setColumnVisibility,
    enableSortingRemoval: false,
    getRowId: ({ id }) => id,
  });
  const box = useRef<HTMLDivElement>(null);
  const { rows } = table.getRowModel();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => ROW,
    initialRect: { width: 1000, height: 800 },
    overscan: 8,
  });
  const shown = virtual.getVirtualItems();
  const before = shown[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (shown.at(-1)?.end ?? 0);
  const width = table.getVisibleLeafColumns().length;
  return (
    <section aria-labelledby="learners" className="card p-5">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 id="learners" className="text-xl">
          Learners
        </h2>
        <div className="flex flex-wrap gap-3">
          <select aria-label="Columns show" className="field !w-auto !py-1" value={by} onChange={(e) => setBy(e.target.value as By)}>
            <option value="skills">By skill</option>
            <option value="exercises">By exercise</option>
          </select>
          {by === 'skills' && (
            <select aria-label="Scheme family" className="field !w-auto !py-1" value={family} onChange={(e) => setFamily(e.target.value as SchemeFamily | '')}>
              <option value="">All schemes</option>
              {FAMILIES.map((each) => (
                <option key={each} value={each}>
                  {FAMILY_WORDS[each]}
                </option>
              ))}
            </select>
          )}
          <Popover.Root>
            <Popover.Trigger className="button !py-1">
              <Columns3 size={16} aria-hidden="true" /> Columns
            </Popover.Trigger>
            <Popover.Portal>
              <Popover.Content align="end" sideOffset={6} className="z-40 max-h-96 overflow-y-auto rounded-xl border border-ink bg-card p-3 shadow-lg">
                {table
                  .getAllLeafColumns()
                  .filter((column) => column.getCanHide())
                  .map((column) => (
                    <label key={column.id} className="flex items-center gap-2 py-0.5">
                      <input type="checkbox" className="accent-ink" checked={column.getIsVisible()} onChange={column.getToggleVisibilityHandler()} />
                      {String(column.columnDef.header)}
                    </label>
                  ))}
              </Popover.Content>
            </Popover.Portal>
          </Popover.Root>
        </div>
      </div>
      {learners.length === 0 ? (
        <p className="text-ink-soft">Nobody is in this group yet: add its first trainee above.</p>
      ) : (
        <div ref={box} tabIndex={0} role="region" aria-labelledby="learners" className="max-h-[70vh] overflow-auto">
          <table className="w-full text-sm" aria-rowcount={rows.length + 1}>
            <thead>
              {table.getHeaderGroups().map((group) => (
                <tr key={group.id} className="text-ink-soft">
                  {group.headers.map((header) => {
                    const sorted = header.column.getIsSorted();
                    return (
                      <th
                        key={header.id}
                        className="sticky top-0 z-10 border-ink border-b bg-card px-1 py-2 text-left align-bottom font-normal first:left-0 first:z-20"
                        aria-sort={sorted ? (sorted === 'desc' ? 'descending' : 'ascending') : undefined}
                      >
                        <button
                          type="button"
                          className="flex max-w-24 items-center gap-1 text-left leading-tight hover:underline"
                          title={String(header.column.columnDef.header)}
                          onClick={header.column.getToggleSortingHandler()}
                        >
                          <span className="line-clamp-2">{String(header.column.columnDef.header)}</span>
                          {sorted && (sorted === 'desc' ? <ArrowDown size={13} aria-hidden="true" /> : <ArrowUp size={13} aria-hidden="true" />)}
                        </button>
                      </th>
                    );
                  })}
                </tr>
              ))}
            </thead>
            <tbody>
              {before > 0 && (
                <tr aria-hidden="true">
                  <td colSpan={width} style={{ height: before }} />
                </tr>
              )}
              {shown.map(({ index }) => {
                const row = rows[index];
                return (
                  row && (
                    <tr key={row.id} aria-rowindex={index + 2} className="border-rule border-b" style={{ height: ROW }}>
                      {row.getVisibleCells().map((cell) =>
                        cell.column.id === 'name' ? (
                          <th key={cell.id} scope="row" className="sticky left-0 whitespace-nowrap bg-card px-1 text-left">
                            <table.FlexRender cell={cell} />
                          </th>
                        ) : (
                          <td key={cell.id} className="px-1">
                            <table.FlexRender cell={cell} />
                          </td>
                        ),
                      )}
                    </tr>
                  )
                );
              })}
              {after > 0 && (
                <tr aria-hidden="true">
                  <td colSpan={width} style={{ height: after }} />
                </tr>
              )}
            </tbody>
          </table>
        </div>
      )}
      <p className="mt-2 text-ink-soft text-xs">
        {by === 'skills'
          ? 'A level is told from three attempts on; with all schemes, it is that of the scheme used most.'
          : 'The best of all attempts that count.'}{' '}
        Every figure opens what it comes from.
      </p>
    </section>
  );
}
