import { Eye, X } from 'lucide-react';

interface Props {
  /** What one of them is called. */
  readonly what: string;
  readonly words: readonly string[];
  /** Told of the number, from 0; left out: they cannot be shown. */
  readonly onShow?: (number: number) => void;
  readonly onRemove: (number: number) => void;
}

/** What comes one after the other, with its number; the last that is left cannot be removed. */
export function NumberedList({ what, words, onShow, onRemove }: Props) {
  return (
    <ol className="mb-2 space-y-1">
      {words.map((text, i) => (
        <li key={`${i}-${text}`} className="flex items-center gap-2 rounded-md bg-bar px-3 py-1 text-sm">
          <span className="font-mono text-ink-soft">{i + 1}</span>
          <span className="flex-1">{text}</span>
          {onShow && (
            <button type="button" aria-label={`Show ${what} ${i + 1}`} title="Show it on the stage" onClick={() => onShow(i)}>
              <Eye size={15} aria-hidden="true" />
            </button>
          )}
          <button type="button" aria-label={`Remove ${what} ${i + 1}`} disabled={words.length === 1} onClick={() => onRemove(i)}>
            <X size={15} aria-hidden="true" />
          </button>
        </li>
      ))}
    </ol>
  );
}
