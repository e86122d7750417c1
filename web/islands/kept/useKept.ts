import { type KeptAttempt, keptAttempts } from '@web/keep/keptAttempts';
import { sendAll } from '@web/keep/sending';
import { useCallback, useEffect, useState } from 'react';

/** What waits is tried again so often while a page is open, ms. */
const AGAIN = 30_000;

export interface Kept {
  readonly kept: readonly KeptAttempt[];
  /** What was sent since the page is open. */
  readonly arrived: readonly KeptAttempt[];
  readonly addArrived: (sent: readonly KeptAttempt[]) => void;
  readonly look: () => Promise<void>;
}

/** Sends what a person's attempts wait for in this browser, again and again, and knows what is left. */
export function useKept(person: string): Kept {
  const [kept, setKept] = useState<readonly KeptAttempt[]>([]);
  const [arrived, setArrived] = useState<readonly KeptAttempt[]>([]);
  const look = useCallback(async () => setKept(await keptAttempts(person)), [person]);
  const addArrived = useCallback((sent: readonly KeptAttempt[]) => setArrived((before) => [...before, ...sent]), []);

  useEffect(() => {
    let ended = false;
    const sendNow = async (): Promise<void> => {
      const sent = await sendAll(person);
      if (ended) return;
      if (sent.length > 0) addArrived(sent);
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
  }, [person, look, addArrived]);

  return { kept, arrived, addArrived, look };
}
