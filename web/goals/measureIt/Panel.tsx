import type { RedactedOf } from '@core/goals';
import { Check, Ruler } from 'lucide-react';
import { useEffect } from 'react';
import type { PanelProps } from '../goalParts';

/** What has to be measured: each is begun here, and ticked off when it was. */
export function MeasureItPanel({ goal, prompt, onMeasure }: PanelProps<RedactedOf<'measureIt'>>) {
  const made = new Set(prompt?.code === 'measure' ? prompt.measured : []);
  useEffect(() => () => onMeasure(null), [onMeasure]);
  return (
    <section aria-label="What is measured" className="rounded-xl border-2 border-ink bg-card p-4">
      <p className="text-ink-soft text-sm">Choose what to measure, then pick on the stage</p>
      <ul className="mt-2 space-y-1.5">
        {goal.asks.map(({ id, name, what }) => (
          <li key={id}>
            <button
              type="button"
              className="flex w-full items-center gap-2 rounded-lg border border-rule px-3 py-1.5 text-left text-sm hover:border-ink"
              onClick={() => onMeasure({ id, name, what })}
            >
              {made.has(id) ? (
                <Check size={15} className="shrink-0 text-sea" aria-label="measured:" />
              ) : (
                <Ruler size={15} className="shrink-0" aria-hidden="true" />
              )}
              <span className={`flex-1 ${made.has(id) ? 'text-ink-soft' : 'font-semibold'}`}>{name}</span>
            </button>
          </li>
        ))}
      </ul>
      {made.size > 0 && <p className="mt-2 text-ink-soft text-xs">Measure again what you doubt: the last value counts.</p>}
    </section>
  );
}
