import { actionWords, type Binding, bindingName, CARD_GROUPS, cardGroupOf, type Scheme, triggerWords } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { SearchField } from '@web/ui/SearchField';
import { lazy, type ReactNode, Suspense, useState } from 'react';

interface Props {
  readonly scheme: Scheme;
  /** Stands beside the search; left out: what the scheme says of itself. */
  readonly head?: ReactNode;
  /** Bindings that stand first and large, for who needs only these; the rest is behind a button, and printed. */
  readonly first?: readonly Binding[];
}

const TrySheet = lazy(async () => ({ default: (await import('@web/stage/trying/TrySheet')).TrySheet }));

/** Every binding of a scheme under a heading, searchable by what it does or by the hand; each can be tried, and it prints on one page. */
export function SchemeCard({ scheme, head, first = [] }: Props) {
  const [text, setText] = useState('');
  const [all, setAll] = useState(first.length === 0);
  const [tried, setTried] = useState<Binding | null>(null);
  const labels = useKeyLabels();
  const wanted = text.trim().toLowerCase();
  const rows = scheme.bindings
    .map((binding) => ({ binding, group: cardGroupOf(binding), hand: triggerWords(binding, labels), does: actionWords(binding) }))
    .filter((row) => !wanted || `${row.hand} ${row.does}`.toLowerCase().includes(wanted));
  const groups = CARD_GROUPS.map((name) => ({ name, rows: rows.filter((row) => row.group === name) })).filter((group) => group.rows.length > 0);
  const tryIt = (binding: Binding): ReactNode => (
    <button type="button" className="text-sea text-sm underline print:hidden" aria-label={`Try ${actionWords(binding)}`} onClick={() => setTried(binding)}>
      Try
    </button>
  );
  return (
    <div>
      <div className="flex flex-wrap items-center justify-between gap-x-6 gap-y-1">
        {head ?? <p className="min-w-72 flex-1 text-ink-soft text-sm print:text-[9pt]">{scheme.about}</p>}
        <SearchField
          compact
          className="w-72 print:hidden"
          label="Search the scheme card"
          placeholder="What to do, or which key?"
          value={text}
          onChange={setText}
        />
      </div>
      {first.length > 0 && !wanted && (
        <section aria-label="What this exercise needs" className="mt-3 print:hidden">
          <h3 className="text-lg">What this exercise needs</h3>
          <ul className="mt-1 grid gap-x-10 sm:grid-cols-2">
            {first.map((binding) => (
              <li key={bindingName(binding)} className="flex items-baseline justify-between gap-4 border-rule border-b py-1.5 text-lg leading-snug">
                <span>{actionWords(binding)}</span>
                <span className="flex items-baseline gap-3">
                  <span className="whitespace-nowrap rounded-md bg-ink px-2 font-mono text-base text-paper">{triggerWords(binding, labels)}</span>
                  {tryIt(binding)}
                </span>
              </li>
            ))}
          </ul>
          <button type="button" className="button mt-3" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Only these' : `All ${scheme.bindings.length}`}
          </button>
        </section>
      )}
      <div className={`card-columns mt-2 ${all || wanted ? '' : 'hidden print:block'}`}>
        {groups.map((group) => (
          <section key={group.name} aria-label={group.name} className="mb-2 print:mb-1">
            <h3 className="border-ink border-b font-bold font-display text-sm print:text-[8pt]">{group.name}</h3>
            <ul>
              {group.rows.map((row) => (
                <li
                  key={`${row.hand}${row.does}`}
                  className="flex break-inside-avoid items-baseline justify-between gap-3 border-rule border-b text-[13px] leading-[20px] print:py-0 print:text-[7pt] print:leading-[10pt]"
                >
                  <span className="flex-1">{row.does}</span>
                  <span className="whitespace-nowrap rounded bg-ink px-1.5 font-mono text-[11px] text-paper leading-[18px] print:bg-transparent print:p-0 print:text-[7pt] print:text-ink print:leading-[10pt]">
                    {row.hand}
                  </span>
                  {tryIt(row.binding)}
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
      {rows.length === 0 && <p className="py-4">Nothing of this scheme answers to “{text}”.</p>}
      <Suspense>
        {tried && (
          <TrySheet
            scheme={scheme}
            lines={first.includes(tried) ? first : groups.flatMap((group) => group.rows.map((row) => row.binding))}
            line={tried}
            onLine={setTried}
            onClose={() => setTried(null)}
          />
        )}
      </Suspense>
    </div>
  );
}
