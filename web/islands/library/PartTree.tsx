import type { Part } from '@core/geometry';
import { ChevronRight } from 'lucide-react';

interface Props {
  readonly parts: readonly Part[];
  readonly parent?: string | null;
  readonly picked: readonly string[];
  readonly onPick: (id: string) => void;
}

/** The parts of a model in their hierarchy; one can be picked. */
export function PartTree({ parts, parent = null, picked, onPick }: Props) {
  const children = parts.filter((part) => part.parent === parent);
  return (
    <ul className={parent === null ? '' : 'ml-3 border-rule border-l pl-2'}>
      {children.map((part) => {
        const group = parts.some((p) => p.parent === part.id);
        const row = (
          <button
            type="button"
            aria-pressed={picked.includes(part.id)}
            className={`rounded px-1.5 py-0.5 text-left text-sm hover:bg-bar ${picked.includes(part.id) ? 'bg-amber/30 font-semibold' : ''}`}
            onClick={() => onPick(part.id)}
          >
            {part.name}
          </button>
        );
        if (!group) return <li key={part.id}>{row}</li>;
        return (
          <li key={part.id}>
            <details open={parent === null}>
              <summary className="flex list-none items-center gap-0.5 [&::-webkit-details-marker]:hidden">
                <ChevronRight size={14} aria-hidden="true" className="in-open:rotate-90" />
                {row}
              </summary>
              <PartTree parts={parts} parent={part.id} picked={picked} onPick={onPick} />
            </details>
          </li>
        );
      })}
    </ul>
  );
}
