import { createColumnHelper, type RowSelectionState, type SortingState, useTable } from '@tanstack/react-table';
import type { Named } from '@web/ui/named';
import { SearchField } from '@web/ui/SearchField';
import { chooseColumn, features, VirtualTable } from '@web/ui/VirtualTable';
import { formatDistanceStrict } from 'date-fns';
import { useMemo, useState } from 'react';
import { ChosenPeople } from './ChosenPeople';
import { PersonSheet } from './PersonSheet';
import type { PersonLine } from './person';

const helper = createColumnHelper<typeof features, PersonLine>();

type Shown = 'all' | 'trainee' | 'instructor' | 'lead' | 'none' | 'deactivated';
const SHOWN: readonly { readonly id: Shown; readonly label: string }[] = [
  { id: 'all', label: 'Everybody' },
  { id: 'trainee', label: 'Trainees' },
  { id: 'instructor', label: 'Instructors' },
  { id: 'lead', label: 'Leads' },
  { id: 'none', label: 'In no group' },
  { id: 'deactivated', label: 'Deactivated' },
];

const isShown = (person: PersonLine, shown: Shown): boolean =>
  shown === 'all' || (shown === 'none' ? person.groups.length === 0 : shown === 'deactivated' ? person.deactivated : person.role === shown);

interface Props {
  readonly people: readonly PersonLine[];
  readonly groups: readonly Named[];
  /** Who looks. */
  readonly me: string;
  /** When the page was made. */
  readonly now: string;
}

/** Everybody: found by name, opened one by one, chosen to be moved or written to. */
export function PeopleScreen({ people, groups, me, now }: Props) {
  const [sought, setSought] = useState('');
  const [shown, setShown] = useState<Shown>('all');
  const [sorting, setSorting] = useState<SortingState>([{ id: 'name', desc: false }]);
  const [rowSelection, setRowSelection] = useState<RowSelectionState>({});
  const [opened, setOpened] = useState<string | null>(null);
  const data = useMemo(() => {
    const words = sought.trim().toLowerCase();
    const has = (person: PersonLine): boolean =>
      `${person.name} ${person.signIn} ${person.groups.map(({ name }) => name).join(' ')}`.toLowerCase().includes(words);
    return people.filter((person) => isShown(person, shown) && has(person));
  }, [people, sought, shown]);
  const columns = useMemo(
    () =>
      helper.columns([
        chooseColumn<PersonLine>(),
        helper.accessor('name', {
          header: 'Name',
          sortFn: 'text',
          cell: ({ row }) => (
            <button
              type="button"
              className="font-semibold underline decoration-rule underline-offset-4 hover:decoration-ink"
              onClick={() => setOpened(row.original.id)}
            >
              {row.original.name}
            </button>
          ),
        }),
        helper.accessor('signIn', {
          header: 'Signs in as',
          sortFn: 'text',
          cell: ({ row }) => <span className="font-mono text-xs">{row.original.signIn}</span>,
        }),
        helper.accessor('role', {
          header: 'Role',
          sortFn: 'text',
          cell: ({ row }) => (
            <>
              {row.original.role}
              {row.original.deactivated && <span className="ml-2 rounded-full border border-signal px-2 text-signal text-xs">deactivated</span>}
            </>
          ),
        }),
        helper.accessor((person) => person.groups.map(({ name }) => name).join(', '), {
          id: 'groups',
          header: 'Groups',
          sortFn: 'text',
          cell: ({ row }) => (
            <span className="block max-w-64 truncate">
              {row.original.groups.map(({ name }) => name).join(', ') || <span className="text-ink-soft">none</span>}
            </span>
          ),
        }),
        helper.accessor((person) => person.lastAt ?? '', {
          id: 'last',
          header: 'Last attempt',
          sortFn: 'text',
          sortDescFirst: true,
          cell: ({ row }) => (
            <span className="whitespace-nowrap text-ink-soft">
              {row.original.lastAt ? formatDistanceStrict(new Date(row.original.lastAt), now, { addSuffix: true }) : '·'}
            </span>
          ),
        }),
      ]),
    [now],
  );
  const table = useTable({
    features,
    columns,
    data,
    state: { sorting, rowSelection },
    onSortingChange: setSorting,
    onRowSelectionChange: setRowSelection,
    enableSortingRemoval: false,
    getRowId: ({ id }) => id,
  });
  const chosen = people.filter(({ id }) => rowSelection[id]);
  const person = people.find(({ id }) => id === opened);
  return (
    <section aria-labelledby="people" className="card mt-6 p-5">
      <h2 id="people" className="sr-only">
        Everybody
      </h2>
      <div className="mb-3 flex flex-wrap gap-3">
        <SearchField
          className="min-w-48 flex-1"
          label="Look for a name, a sign-in name or a group"
          placeholder="Name, sign-in name or group"
          value={sought}
          onChange={setSought}
        />
        <select aria-label="Who is shown" className="field !w-auto" value={shown} onChange={(e) => setShown(e.target.value as Shown)}>
          {SHOWN.map(({ id, label }) => (
            <option key={id} value={id}>
              {label}
            </option>
          ))}
        </select>
      </div>
      {data.length === 0 ? <p className="text-ink-soft">Nobody is called so.</p> : <VirtualTable table={table} labelledBy="people" />}
      <p className="mt-2 text-ink-soft text-xs">
        {data.length} of {people.length}
      </p>
      {chosen.length > 0 && <ChosenPeople people={chosen} groups={groups} from={null} onDone={() => setRowSelection({})} />}
      {person && <PersonSheet person={person} me={me} onClose={() => setOpened(null)} />}
    </section>
  );
}
