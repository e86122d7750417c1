import { call, wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { useEffect, useState } from 'react';

interface Props {
  readonly groupId: string;
  /** The code that is open, with its last day and who came by it, in words; null: none is. */
  readonly joining: {
    readonly code: string;
    readonly until: string;
    readonly came: readonly { readonly name: string; readonly signIn: string; readonly at: string }[];
  } | null;
}

const DAYS = [1, 7, 30] as const;

/** A code on the board, and a class of twenty is in: makes it, shows it large, tells who came, and closes it. */
export function JoinCode({ groupId, joining }: Props) {
  const [open, setOpen] = useState(false);
  // After a change the page is loaded anew, and the sheet stands there again.
  useEffect(() => {
    if (window.location.hash !== '#joining') return;
    window.history.replaceState(null, '', window.location.pathname);
    setOpen(true);
  }, []);
  const [days, setDays] = useState<number>(7);
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const doing = async (work: Promise<unknown>): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await work;
      window.location.hash = 'joining';
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
      setBusy(false);
    }
  };
  const params = { id: groupId };
  return (
    <>
      <button type="button" className="button" onClick={() => setOpen(true)}>
        {joining ? `Code ${joining.code}` : 'Join by code'}
      </button>
      <Sheet
        open={open}
        onOpenChange={setOpen}
        title="Join by code"
        about="Whoever has the code joins this group as a trainee, with a name and a password of their own, at this address followed by /join."
      >
        <div className="space-y-4 p-1">
          {joining ? (
            <>
              <p className="text-center font-bold font-mono text-5xl tracking-wider" data-testid="join-code">
                {joining.code}
              </p>
              <p className="text-center text-ink-soft">open until {joining.until}</p>
              <div>
                <h3 className="font-semibold">{joining.came.length === 0 ? 'Nobody came by it yet' : `Came by it: ${joining.came.length}`}</h3>
                <ul className="mt-1 text-sm">
                  {joining.came.map(({ name, signIn, at }) => (
                    <li key={signIn} className="flex justify-between gap-3 border-rule border-b py-1">
                      <span>
                        {name} <span className="font-mono text-ink-soft">{signIn}</span>
                      </span>
                      <span className="text-ink-soft">{at}</span>
                    </li>
                  ))}
                </ul>
              </div>
            </>
          ) : (
            <p>No code is open.</p>
          )}
          <div className="flex flex-wrap items-center justify-end gap-3">
            <label className="mr-auto flex items-center gap-2">
              Open for
              <select className="field !w-auto !py-1" value={days} onChange={(e) => setDays(Number(e.target.value))}>
                {DAYS.map((each) => (
                  <option key={each} value={each}>
                    {each === 1 ? 'a day' : `${each} days`}
                  </option>
                ))}
              </select>
            </label>
            {joining && (
              <button type="button" className="button" disabled={busy} onClick={() => void doing(call('closeJoining', { params }))}>
                Close it
              </button>
            )}
            <button type="button" className="button-main" disabled={busy} onClick={() => void doing(call('openJoining', { params, body: { days } }))}>
              {joining ? 'New code' : 'Make a code'}
            </button>
          </div>
          {error && (
            <p role="alert" className="text-signal">
              {error}
            </p>
          )}
        </div>
      </Sheet>
    </>
  );
}
