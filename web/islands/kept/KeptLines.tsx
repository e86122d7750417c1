import { dropKept, type KeptAttempt, keepHead, keptAttempts, keptTrace } from '@web/keep/keptAttempts';
import { sendAll, sendKept } from '@web/keep/sending';
import { Ask } from '@web/ui/Sheet';
import { formatDistanceToNow } from 'date-fns';
import { useCallback, useEffect, useState } from 'react';

/** What waits is tried again so often while a page is open, ms. */
const AGAIN = 30_000;

interface Props {
  readonly person: string;
  /** All that is kept, each with what can be done about it; otherwise only a word about what has just arrived. */
  readonly all?: boolean;
}

/** Sends what waits in this browser, and tells of it. */
export function KeptLines({ person, all = false }: Props) {
  const [kept, setKept] = useState<readonly KeptAttempt[]>([]);
  const [arrived, setArrived] = useState<readonly KeptAttempt[]>([]);
  const [doubted, setDoubted] = useState<KeptAttempt | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const look = useCallback(async () => setKept(await keptAttempts(person)), [person]);

  useEffect(() => {
    let ended = false;
    const sendNow = async (): Promise<void> => {
      const sent = await sendAll(person);
      if (ended) return;
      if (sent.length > 0) setArrived((before) => [...before, ...sent]);
      await look();
    };
    void sendNow();
    const timer = setInterval(() => void sendNow(), AGAIN);
    const online = (): void => void sendNow();
    window.addEventListener('online', online);
    return () => {
      ended = true;
      clearInterval(timer);
      window.removeEventListener('online', online);
    };
  }, [person, look]);

  const sendOne = async (head: KeptAttempt): Promise<void> => {
    // One that goes on is ended where it was left.
    if (head.end === null) await keepHead(person, { ...head, end: (await keptTrace(person, head)).end });
    const result = await sendKept(person, head.id);
    if (result.kind === 'sent') setArrived((before) => [...before, head]);
    else setSaid(result.words);
    await look();
  };
  const drop = async (head: KeptAttempt): Promise<void> => {
    await dropKept(person, head.id);
    await look();
  };

  const lines = all ? kept : [];
  if (arrived.length === 0 && lines.length === 0) return null;
  return (
    <section
      aria-label="Kept in this browser"
      className={all ? 'mt-4 space-y-2' : 'fixed right-4 bottom-4 z-30 max-w-sm space-y-2 print:hidden'}
      data-testid="kept"
    >
      {arrived.map((head) => (
        <p key={head.id} role="status" className="card border-sea px-4 py-3">
          “{head.title}” has now been handed in.{' '}
          <a className="underline" href={`/attempts/${head.id}`}>
            See its card
          </a>
        </p>
      ))}
      {lines.map((head) => (
        <div key={head.id} className="card border-ochre px-4 py-3">
          <p>
            {head.refused ? (
              <>
                “{head.title}” was not taken: {head.refused}
              </>
            ) : head.end === null ? (
              <>
                You were in the middle of “{head.title}”, {formatDistanceToNow(head.savedAt, { addSuffix: true })}.
              </>
            ) : (
              <>One attempt at “{head.title}” waits to be sent.</>
            )}
          </p>
          <div className="mt-2 flex flex-wrap gap-2">
            {head.end === null && (
              <a className="button !py-1" href={`/practise/${head.base.exercise.id}`}>
                Go on
              </a>
            )}
            {!head.refused && (
              <button type="button" className="button !py-1" onClick={() => void sendOne(head)}>
                {head.end === null ? 'Hand in as it is' : 'Send'}
              </button>
            )}
            <button type="button" className="button-quiet !py-1" onClick={() => setDoubted(head)}>
              Discard
            </button>
          </div>
        </div>
      ))}
      {said && <p role="alert">{said}</p>}
      <Ask
        open={doubted !== null}
        onOpenChange={(open) => !open && setDoubted(null)}
        title="Discard this attempt?"
        about={`What was done in “${doubted?.title ?? ''}” is removed from this browser. It has not been handed in.`}
        yes="Discard it"
        no="Keep it"
        onYes={() => doubted && void drop(doubted)}
      />
    </section>
  );
}
