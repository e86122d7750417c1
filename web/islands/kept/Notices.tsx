import { call, wordsOf } from '@web/ui/api';
import { X } from 'lucide-react';
import { type FormEvent, useState } from 'react';

export interface NoticeLine {
  readonly id: string;
  readonly words: string;
  /** Who wrote it; null: the program tells it. */
  readonly from: string | null;
}

/** Answers a message in one line. */
function Answer({ notice, onAnswered }: { readonly notice: NoticeLine; readonly onAnswered: () => void }) {
  const [words, setWords] = useState('');
  const [error, setError] = useState<string | null>(null);
  const send = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    setError(null);
    try {
      await call('answerTo', { params: { id: notice.id }, body: { words } });
      onAnswered();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <form onSubmit={send} className="mt-2">
      <div className="flex gap-2">
        <input
          className="field !py-1 text-sm"
          aria-label={`Answer ${notice.from}`}
          placeholder="Answer"
          maxLength={400}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
        <button type="submit" className="button !py-1 text-sm" disabled={words.trim() === ''}>
          Send
        </button>
      </div>
      {error && (
        <p role="alert" className="text-signal text-sm">
          {error}
        </p>
      )}
    </form>
  );
}

/** What one is told, by the program and by people: each until it is read or answered. */
export function Notices({ notices }: { readonly notices: readonly NoticeLine[] }) {
  const [shown, setShown] = useState(notices);
  const [error, setError] = useState<string | null>(null);
  const gone = (id: string): void => setShown((list) => list.filter((each) => each.id !== id));
  const read = async (id: string): Promise<void> => {
    try {
      await call('noticeRead', { params: { id } });
      gone(id);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  if (shown.length === 0) return null;
  return (
    <section aria-label="News" className="mt-6 space-y-2" data-testid="notices">
      {shown.map((notice) => (
        <div key={notice.id} className="flex items-start gap-2 rounded-xl border-2 border-amber bg-card px-4 py-3">
          <div className="flex-1 text-sm">
            {notice.from && <p className="font-semibold">{notice.from} writes</p>}
            <p className="whitespace-pre-line">{notice.words}</p>
            {notice.from && <Answer notice={notice} onAnswered={() => gone(notice.id)} />}
          </div>
          <button
            type="button"
            aria-label="I have read this"
            className="grid h-7 w-7 shrink-0 place-items-center rounded-full hover:bg-bar"
            onClick={() => read(notice.id)}
          >
            <X size={15} aria-hidden="true" />
          </button>
        </div>
      ))}
      {error && <p role="alert">{error}</p>}
    </section>
  );
}
