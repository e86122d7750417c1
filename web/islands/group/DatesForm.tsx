import type { Dates } from '@server/services/progress';
import { addDays, format } from 'date-fns';

interface Props {
  readonly dates: Dates;
  readonly today: string;
}

const dayWords = (day: string): string => format(new Date(`${day}T12:00`), 'd MMMM yyyy');

/** "from 3 November 2026 to 9 November 2026"; empty where all are looked at. */
export const datesWords = ({ from, to }: Dates): string => [from && `from ${dayWords(from)}`, to && `to ${dayWords(to)}`].filter(Boolean).join(' ');

/** Chooses the days whose attempts are looked at: the page is made anew with them. */
export function DatesForm({ dates: { from, to }, today }: Props) {
  const weekAgo = format(addDays(new Date(`${today}T12:00`), -6), 'yyyy-MM-dd');
  return (
    <form method="get" className="mb-2 flex flex-wrap items-center gap-2 text-sm print:hidden">
      <label className="flex items-center gap-2">
        Attempts from <input type="date" name="from" className="field !w-auto !py-1" defaultValue={from} max={today} />
      </label>
      <label className="flex items-center gap-2">
        to <input type="date" name="to" className="field !w-auto !py-1" defaultValue={to} max={today} />
      </label>
      <button type="submit" className="button !py-1">
        Show
      </button>
      {from || to ? (
        <a className="button-quiet" href="?">
          All dates
        </a>
      ) : (
        <a className="button-quiet" href={`?from=${weekAgo}`}>
          The last 7 days
        </a>
      )}
    </form>
  );
}
