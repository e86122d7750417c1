import { call, wordsOf } from '@web/ui/api';
import { X } from 'lucide-react';
import { useState } from 'react';

interface Props {
  readonly notices: readonly { readonly id: string; readonly words: string }[];
}

/** What one is told of the exercises one has: each until it is read. */
export function Notices({ notices }: Props) {
  const [shown, setShown] = useState(notices);
  const [error, setError] = useState<string | null>(null);
  const read = async (id: string): Promise<void> => {
    try {
      await call('noticeRead', { params: { id } });
      setShown((list) => list.filter((each) => each.id !== id));
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  if (shown.length === 0) return null;
  return (
    <section aria-label="News" className="mt-6 space-y-2" data-testid="notices">
      {shown.map(({ id, words }) => (
        <div key={id} className="flex items-start gap-2 rounded-xl border-2 border-amber bg-card px-4 py-3">
          <p className="flex-1 text-sm">{words}</p>
          <button
            type="button"
            aria-label="I have read this"
            className="grid h-7 w-7 shrink-0 place-items-center rounded-full hover:bg-bar"
            onClick={() => read(id)}
          >
            <X size={15} aria-hidden="true" />
          </button>
        </div>
      ))}
      {error && <p role="alert">{error}</p>}
    </section>
  );
}
