import { Circle, CircleCheck } from 'lucide-react';
import type { Check } from './checks';

/** What there is still to do before the exercise is given to somebody, as a plain list. */
export function Checklist({ checks }: { readonly checks: readonly Check[] }) {
  return (
    <ul aria-label="Before it is given" className="mb-2 grid grid-cols-2 gap-x-3 text-sm">
      {checks.map(({ words, done, missing }) => (
        <li key={words} className={`flex items-baseline gap-1.5 ${done ? 'text-ink-soft' : ''}`}>
          {done ? (
            <CircleCheck size={13} className="shrink-0 self-center text-sea" aria-label="done" />
          ) : (
            <Circle size={13} className="shrink-0 self-center" aria-label="missing" />
          )}
          <span>
            {words}
            {missing && `: ${missing}`}
          </span>
        </li>
      ))}
    </ul>
  );
}
