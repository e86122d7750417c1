import { actionWords, type Scheme, triggerWords } from '@core/input';
import { useKeyLabels } from '@web/ui/keyLabels';
import { Search } from 'lucide-react';
import { useState } from 'react';

/** Every binding of a scheme, searchable by what it does or by the hand. */
export function SchemeCard({ scheme }: { readonly scheme: Scheme }) {
  const [text, setText] = useState('');
  const labels = useKeyLabels();
  const wanted = text.trim().toLowerCase();
  const rows = scheme.bindings
    .map((binding) => ({ hand: triggerWords(binding, labels), does: actionWords(binding) }))
    .filter((row) => !wanted || `${row.hand} ${row.does}`.toLowerCase().includes(wanted));
  return (
    <div>
      <p className="mb-3 text-ink-soft">{scheme.about}</p>
      <label className="relative block">
        <span className="sr-only">Search the scheme card</span>
        <Search size={17} className="absolute top-3 left-3 text-ink-soft" aria-hidden="true" />
        <input className="field pl-9" placeholder="What do you want to do, or which key?" value={text} onChange={(e) => setText(e.target.value)} />
      </label>
      <ul className="mt-3 grid gap-x-8 sm:grid-cols-2">
        {rows.map((row) => (
          <li key={`${row.hand}${row.does}`} className="flex items-baseline justify-between gap-3 border-rule border-b py-1.5">
            <span>{row.does}</span>
            <span className="whitespace-nowrap rounded-md bg-ink px-2 font-mono text-paper text-xs leading-6">{row.hand}</span>
          </li>
        ))}
      </ul>
      {rows.length === 0 && <p className="py-4">Nothing of this scheme answers to “{text}”.</p>}
    </div>
  );
}
