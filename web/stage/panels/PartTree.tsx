import type { Part } from '@core/geometry';
import type { Scene } from '@core/navigation';
import { ChevronRight } from 'lucide-react';

interface Props {
  readonly parts: readonly Part[];
  readonly parent?: string | null;
  readonly picked: readonly string[];
  readonly onPick: (id: string) => void;
  /** A double click on a part. */
  readonly onFrame?: (id: string) => void;
  readonly visibility?: Scene['visibility'];
  /** Whether every group is open, as while a part is looked for. */
  readonly open?: boolean;
}

/** The parts of a model in their hierarchy; one can be picked, and what is not plainly shown says so. */
export function PartTree({ parts, parent = null, picked, onPick, onFrame, visibility = {}, open = false }: Props) {
  const children = parts.filter((part) => part.parent === parent);
  return (
    <ul className={parent === null ? '' : 'ml-3 border-rule border-l pl-2'}>
      {children.map((part) => {
        const group = parts.some((p) => p.parent === part.id);
        const chosen = picked.includes(part.id);
        const state = visibility[part.id];
        const row = (
          <button
            type="button"
            data-part={part.id}
            aria-pressed={chosen}
            className={`rounded px-1.5 py-0.5 text-left text-sm hover:bg-bar ${chosen ? 'bg-amber/30 font-semibold' : ''} ${state ? 'italic' : ''}`}
            onClick={() => onPick(part.id)}
            onDoubleClick={() => onFrame?.(part.id)}
          >
            {part.name}
            {state && <span className="ml-1 text-ink-soft text-xs">({state})</span>}
          </button>
        );
        if (!group) return <li key={part.id}>{row}</li>;
        const unfolded = open || parent === null || picked.some((id) => id.startsWith(`${part.id}/`));
        return (
          <li key={part.id}>
            <details open={unfolded}>
              <summary className="flex list-none items-center gap-0.5 [&::-webkit-details-marker]:hidden">
                <ChevronRight size={14} aria-hidden="true" className="in-open:rotate-90" />
                {row}
              </summary>
              <PartTree parts={parts} parent={part.id} picked={picked} onPick={onPick} visibility={visibility} open={open} {...(onFrame ? { onFrame } : {})} />
            </details>
          </li>
        );
      })}
    </ul>
  );
}
