import { sendKept } from '@web/keep/sending';
import { useCallback, useEffect, useState } from 'react';

/** A finished attempt is tried again so often, ms. */
const AGAIN = 10_000;

interface Props {
  readonly person: string;
  readonly attempt: string;
  /** Why it could not be sent. */
  readonly words: string;
  readonly onSent: () => void;
  readonly onRefused: (words: string) => void;
}

/** Stands over the stage while a finished attempt waits for the server; sends it as soon as that answers. */
export function WaitingToSend({ person, attempt, words, onSent, onRefused }: Props) {
  const [why, setWhy] = useState(words);
  const [busy, setBusy] = useState(false);
  const tryAgain = useCallback(async (): Promise<void> => {
    setBusy(true);
    const result = await sendKept(person, attempt);
    setBusy(false);
    if (result.kind === 'sent') onSent();
    else if (result.kind === 'refused') onRefused(result.words);
    else setWhy(result.words);
  }, [person, attempt, onSent, onRefused]);

  useEffect(() => {
    const timer = setInterval(() => void tryAgain(), AGAIN);
    const online = (): void => void tryAgain();
    window.addEventListener('online', online);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', online);
    };
  }, [tryAgain]);

  return (
    <div className="absolute inset-0 z-10 grid place-items-center bg-stage/90" role="status" data-testid="waiting-to-send">
      <div className="card max-w-md p-6 text-center">
        <h2 className="text-xl">Finished, and waiting to be sent</h2>
        <p className="mt-2">Your attempt is kept in this browser. It is sent as soon as the server answers; you may leave this page meanwhile.</p>
        <p className="mt-2 text-ink-soft text-sm">{why}</p>
        <button type="button" className="button mt-4" disabled={busy} onClick={() => void tryAgain()}>
          {busy ? 'Sending …' : 'Send it now'}
        </button>
      </div>
    </div>
  );
}
