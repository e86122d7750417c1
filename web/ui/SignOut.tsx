import { forgetAll, type KeptAttempt, keptAttempts } from '@web/keep/keptAttempts';
import { sendAll } from '@web/keep/sending';
import { lazy, Suspense, useState } from 'react';
import { call } from './api';

const Ask = lazy(async () => ({ default: (await import('./Sheet')).Ask }));

const listed = (kept: readonly KeptAttempt[]): string => kept.map((head) => `“${head.title}”`).join(', ');

/** Signs out and removes what this browser keeps, models too; what has not been handed in is sent first, or asked about. */
export function SignOut({ person }: { readonly person: string }) {
  const [kept, setKept] = useState<readonly KeptAttempt[]>([]);
  const leave = async (sure: boolean): Promise<void> => {
    if (!sure) {
      await sendAll(person).catch(() => []);
      const left = await keptAttempts(person);
      if (left.length > 0) {
        setKept(left);
        return;
      }
    }
    await call('signOut', { body: {} }).catch(() => {});
    await forgetAll();
    window.location.href = '/';
  };
  return (
    <>
      <button type="button" onClick={() => void leave(false)} className="button-quiet">
        Sign out
      </button>
      {kept.length > 0 && (
        <Suspense fallback={null}>
          <Ask
            open
            onOpenChange={() => setKept([])}
            title="Sign out and lose what was not handed in?"
            about={`This browser keeps ${listed(kept)}, which the server does not have. Signing out removes it.`}
            yes="Sign out anyway"
            no="Stay"
            onYes={() => void leave(true)}
          />
        </Suspense>
      )}
    </>
  );
}
