import type { Scheme } from '@core/input';
import { useEffect } from 'react';
import { createPortal } from 'react-dom';

interface ChoiceProps {
  readonly scheme: Scheme;
  readonly schemes: readonly Scheme[];
  readonly onChoose: (id: string) => void;
  readonly onCard: () => void;
  /** Given when an author tries the exercise out. */
  readonly onLeave?: (() => void) | undefined;
}

const inField = (target: EventTarget | null): boolean => target instanceof Element && target.closest('input, textarea') !== null;

/** In the page's header: which scheme is used, and its card, also by the key “?”. */
export function SchemeChoice({ scheme, schemes, onChoose, onCard, onLeave }: ChoiceProps) {
  const place = document.getElementById('header-place');
  useEffect(() => {
    const key = (event: KeyboardEvent): void => {
      if (event.key === '?' && !inField(event.target)) onCard();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [onCard]);
  if (!place) return null;
  return createPortal(
    <>
      {onLeave && (
        <button type="button" className="button-quiet" onClick={onLeave}>
          Back to building
        </button>
      )}
      <label className="flex items-center gap-2">
        <span className="sr-only">Scheme</span>
        <select
          className="max-w-44 max-sm:max-w-32 truncate rounded-md bg-transparent px-1 py-1 font-semibold"
          value={scheme.id}
          onChange={(e) => onChoose(e.target.value)}
        >
          {schemes.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      </label>
      <button
        type="button"
        className="flex items-center gap-2 rounded-full border border-ink px-4 stacked:max-md:border-0 low:border-0 stacked:max-md:px-1 low:px-1 py-1.5 low:py-1 hover:bg-bar"
        onClick={onCard}
      >
        <span className="stacked:max-md:sr-only low:sr-only">Scheme card</span> <span className="kbd">?</span>
      </button>
    </>,
    place,
  );
}
