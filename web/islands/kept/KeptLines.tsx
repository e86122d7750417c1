import { dropKept, type KeptAttempt, keepHead, keptTrace } from '@web/keep/keptAttempts';
import { sendKept } from '@web/keep/sending';
import { Ask } from '@web/ui/Sheet';
import { formatDistanceToNow } from 'date-fns';
import { useState } from 'react';
import { Arrived } from './Arrived';
import { useKept } from './useKept';

/** All that waits in this browser, each with what can be done about it. */
export function KeptLines({ person }: { readonly person: string }) {
  const { kept, arrived, addArrived, look } = useKept(person);
  const [doubted, setDoubted] = useState<KeptAttempt | null>(null);
  const [said, setSaid] = useState<string | null>(null);

  const sendOne = async (head: KeptAttempt): Promise<void> => {
    // One that goes on is ended where it was left.
    if (head.end === null) await keepHead(person, { ...head, end: (await keptTrace(person, head)).end });
    const result = await sendKept(person, head.id);
    if (result.kind === 'sent') addArrived([head]);
    else setSaid(result.words);
    await look();
  };
  const drop = async (head: KeptAttempt): Promise<void> => {
    await dropKept(person, head.id);
    await look();
  };

  if (arrived.length === 0 && kept.length === 0) return null;
  return (
    <section aria-label="Kept in this browser" className="mt-4 space-y-2" data-testid="kept">
      <Arrived arrived={arrived} />
      {kept.map((head) => (
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
