import {
  type CellData,
  type Column,
  columnVisibilityFeature,
  createColumnHelper,
  createSortedRowModel,
  type ReactTable,
  rowSelectionFeature,
  rowSortingFeature,
  sortFn_text,
  tableFeatures,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useRef } from 'react';
import { usePrinting } from './usePrinting';

/** What tables of people can do: sort, choose columns, choose rows. */
export const features = tableFeatures({
  columnVisibilityFeature,
  rowSelectionFeature,
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { text: sortFn_text },
});

export type TableOf<T extends object> = ReactTable<typeof features, T>;

/** The column in which rows are chosen, and the one that names a row. */
const CHOOSE = 'choose';
const NAME = 'name';

/** The column in which rows are chosen, each told by its name. */
export const chooseColumn = <T extends { readonly name: string }>() =>
  createColumnHelper<typeof features, T>().display({
    id: CHOOSE,
    header: 'Choose',
    enableHiding: false,
    enableSorting: false,
    cell: ({ row }) => (
      <input
        type="checkbox"
        className="h-4 w-4 accent-ink"
        aria-label={`Choose ${row.original.name}`}
        checked={row.getIsSelected()}
        onChange={row.getToggleSelectedHandler()}
      />
    ),
  });

interface Props<T extends object> {
  readonly table: TableOf<T>;
  /** Id of its heading. */
  readonly labelledBy: string;
  /** Height of a row, pixels. */
  readonly rowHeight?: number;
}

function Head<T extends object>({ column }: { readonly column: Column<typeof features, T, CellData> }) {
  const words = String(column.columnDef.header);
  const sorted = column.getIsSorted();
  if (!column.getCanSort()) return <span className={column.id === CHOOSE ? 'sr-only' : ''}>{words}</span>;
  return (
    <button
      type="button"
      className="flex max-w-24 items-center gap-1 text-left leading-tight hover:underline"
      title={words}
      onClick={column.getToggleSortingHandler()}
    >
      <span className="line-clamp-2">{words}</span>
      {sorted && (sorted === 'desc' ? <ArrowDown size={13} aria-hidden="true" /> : <ArrowUp size={13} aria-hidden="true" />)}
    </button>
  );
}

/** A table of which only the rows in sight are drawn, and all of them on paper; its heading row and its names stay in sight. */
export function VirtualTable<T extends object>({ table, labelledBy, rowHeight = 37 }: Props<T>) {
  const box = useRef<HTMLDivElement>(null);
  const { rows } = table.getRowModel();
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => box.current,
    estimateSize: () => rowHeight,
    // What stands there until the page listens: its making on the server costs more than all else of a group's page.
    initialRect: { width: 1000, height: 330 },
    overscan: 4,
  });
  const printing = usePrinting();
  const near = virtual.getVirtualItems();
  const shown = printing ? rows.map((_, index) => ({ index })) : near;
  const before = printing ? 0 : (near[0]?.start ?? 0);
  const after = printing ? 0 : virtual.getTotalSize() - (near.at(-1)?.end ?? 0);
  const width = table.getVisibleLeafColumns().length;
  const filler = (height: number) =>
    height > 0 && (
      <tr aria-hidden="true">
        <td colSpan={width} style={{ height }} />
      </tr>
    );
  return (
    <div ref={box} tabIndex={0} role="region" aria-labelledby={labelledBy} className="max-h-[70vh] overflow-auto print:max-h-none print:overflow-visible">
      <table className="w-full text-sm print:text-[8pt]" aria-rowcount={rows.length + 1}>
        <thead>
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="text-ink-soft">
              {group.headers.map(({ id, column }) => {
                const sorted = column.getIsSorted();
                return (
                  <th
                    key={id}
                    className={`sticky top-0 border-ink ${column.id === CHOOSE ? 'print:hidden' : 'print:static'} border-b bg-card px-1 py-2 text-left align-bottom font-normal ${column.id === NAME ? 'left-0 z-20' : 'z-10'}`}
                    aria-sort={sorted ? (sorted === 'desc' ? 'descending' : 'ascending') : undefined}
                  >
                    <Head column={column} />
                  </th>
                );
              })}
            </tr>
          ))}
        </thead>
        <tbody>
          {filler(before)}
          {shown.map(({ index }) => {
            const row = rows[index];
            return (
              row && (
                <tr
                  key={row.id}
                  aria-rowindex={index + 2}
                  className={`border-rule border-b ${row.getIsSelected() ? 'bg-bar' : ''}`}
                  style={{ height: rowHeight }}
                >
                  {row.getVisibleCells().map((cell) =>
                    cell.column.id === NAME ? (
                      <th
                        key={cell.id}
                        scope="row"
                        className={`sticky left-0 whitespace-nowrap print:static print:whitespace-normal px-1 text-left ${row.getIsSelected() ? 'bg-bar' : 'bg-card'}`}
                      >
                        <table.FlexRender cell={cell} />
                      </th>
                    ) : (
                      <td key={cell.id} className={`px-1 ${cell.column.id === CHOOSE ? 'print:hidden' : ''}`}>
                        <table.FlexRender cell={cell} />
                      </td>
                    ),
                  )}
                </tr>
              )
            );
          })}
          {filler(after)}
        </tbody>
      </table>
    </div>
  );
}
