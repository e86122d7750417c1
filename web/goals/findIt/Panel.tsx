import { partName } from '@core/geometry';
import type { RedactedOf } from '@core/goals';
import { Check } from 'lucide-react';
import type { PanelProps } from '../goalParts';

/** The row of what is sought, filled as things are found. */
export function FindItPanel({ goal, prompt, parts }: PanelProps<RedactedOf<'findIt'>>) {
  const asked = prompt?.code === 'find' ? prompt : null;
  const found = new Set(asked?.found ?? []);
  const last = asked?.last ?? null;
  return (
    <section aria-label="What is sought" className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-ink-soft text-sm">Pick each when you see it{found.size > 0 ? `: ${found.size} of ${goal.items.length}` : ''}</p>
      <ul className="mt-2 flex flex-wrap gap-1.5">
        {goal.items.map(({ id, name }) => (
          <li
            key={id}
            data-found={found.has(id)}
            className={`flex items-center gap-1 rounded-full border px-3 py-1 text-sm ${found.has(id) ? 'border-sea bg-sea font-semibold text-paper' : 'border-ink border-dashed'}`}
          >
            {found.has(id) && <Check size={14} aria-label="found:" />}
            {name}
          </li>
        ))}
      </ul>
      <p className="mt-2 min-h-5 text-sm" aria-live="polite">
        {last?.how === 'found' && `Found: ${last.name}.`}
        {last?.how === 'noted' && 'Noted. What it was is told when you have handed in.'}
        {last?.how === 'wrong' && `That is ${partName(parts, last.part)}: look on.`}
      </p>
    </section>
  );
}
