import type { SchemeFamily } from '@core/input';
import type { CourseOfGroup } from '@server/services/courses';
import type { Dates } from '@server/services/progress';
import { type ColumnVisibilityState, type RowSelectionState, type SortingState, useTable } from '@tanstack/react-table';
import { ChosenPeople } from '@web/islands/people/ChosenPeople';
import { FilterSelect } from '@web/ui/FilterSelect';
import { FAMILIES, FAMILY_WORDS } from '@web/ui/familyWords';
import type { Named } from '@web/ui/named';
import { features, VirtualTable } from '@web/ui/VirtualTable';
import { Columns3 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import { DatesForm, datesWords } from './DatesForm';
import type { AssignmentLine, Learner } from './learner';
import { type By, columnsFor } from './learnerColumns';
import { isSeen, SEEN, type Seen } from './seenWhen';

const COLUMNS_KEY = 'dial-home group columns';

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

interface Props {
  readonly groupId: string;
  /** Groups to which one may move somebody. */
  readonly groups: readonly Named[];
  readonly learners: readonly Learner[];
  readonly assignments: readonly AssignmentLine[];
  readonly courses: readonly CourseOfGroup[];
  /** Of which days attempts are told. */
  readonly dates: Dates;
  readonly today: string;
  /** When the page was made. */
  readonly now: string;
}

/** Learners by skills, units or exercises; hundreds of rows scroll, columns are chosen and stay so, people are chosen. */
export function LearnersTable({ groupId, groups, learners, assignments, courses, dates, today, now }: Props) {
  const [by, setBy] = useState<By>(dates.from || dates.to ? 'exercises' : 'skills');
  const [family, setFamily] = useState<SchemeFamily | ''>('');
  /** The unit whose exercises stand there; none: all. */
  const [unit, setUnit] = useState('');
  const [sorting, setSorting] = useState<SortingState>([{ id: 'name', desc: false }]);
  const [columnVisibility, setColumnVisibility] = useChosenColumns();
  const [rowSelection, setRowSelection] = useState<RowSelectionState>({});
  const [seen, setSeen] = useState<Seen | ''>('');
  const data = useMemo(() => learners.filter((learner) => !seen || isSeen(seen, learner, now)), [learners, seen, now]);
  const units = useMemo(
    () => courses.flatMap((course) => course.units.map((each) => ({ ...each, key: `${course.courseId} ${each.id}`, course: course.name }))),
    [courses],
  );
  const only = units.find(({ key }) => key === unit)?.exerciseIds ?? null;
  const columns = useMemo(() => columnsFor({ by, learners, assignments, family, now, units, only }), [by, learners, assignments, family, now, units, only]);
  const table = useTable({
    features,
    columns,
    data,
    state: { sorting, columnVisibility, rowSelection },
    onRowSelectionChange: setRowSelection,
    onSortingChange: setSorting,
    onColumnVisibilityChange: setColumnVisibility,
    enableSortingRemoval: false,
    getRowId: ({ id }) => id,
  });
  const chosen = data.filter(({ id }) => rowSelection[id]);
  return (
    <section aria-labelledby="learners" className="card p-5 print:[page:across] print:border-0 print:p-0">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 id="learners" className="text-xl">
          Learners
        </h2>
        <div className="flex flex-wrap gap-3">
          <FilterSelect
            label="Columns show"
            value={by}
            options={[['skills', 'By skill'], ...(units.length > 0 ? ([['units', 'By unit']] as const) : []), ['exercises', 'By exercise']]}
            onChange={(value) => setBy(value as By)}
          />
          {by === 'skills' && (
            <FilterSelect
              label="Scheme family"
              any="All schemes"
              value={family}
              options={FAMILIES.map((each) => [each, FAMILY_WORDS[each]])}
              onChange={(value) => setFamily(value as SchemeFamily | '')}
            />
          )}
          {by === 'exercises' && units.length > 0 && (
            <FilterSelect
              label="Unit"
              any="All units"
              value={unit}
              options={units.map(({ key, name, course }) => [key, courses.length > 1 ? `${course}: ${name}` : name])}
              onChange={setUnit}
            />
          )}
          <FilterSelect
            label="Last seen"
            any="Seen at any time"
            value={seen}
            options={Object.entries(SEEN)}
            onChange={(value) => setSeen(value as Seen | '')}
          />
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
      <DatesForm dates={dates} today={today} />
      {learners.length === 0 ? (
        <p className="text-ink-soft">Nobody is in this group yet: add its first trainee above.</p>
      ) : (
        <>
          <VirtualTable table={table} labelledBy="learners" />
          {data.length === 0 && <p className="py-3 text-ink-soft">None of the {learners.length} is among those.</p>}
          {chosen.length > 0 && <ChosenPeople people={chosen} groups={groups} from={groupId} onDone={() => setRowSelection({})} />}
        </>
      )}
      <p className="mt-2 text-ink-soft text-xs">
        {by === 'skills'
          ? 'A level is told from three attempts on; with all schemes, it is that of the scheme used most.'
          : by === 'units'
            ? 'How many exercises of the unit have a flash.'
            : 'The best of all attempts that count.'}{' '}
        {datesWords(dates) && `Attempts ${datesWords(dates)}; levels are of all time. `}
        Every figure opens what it comes from.
      </p>
    </section>
  );
}
