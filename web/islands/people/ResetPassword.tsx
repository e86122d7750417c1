import { Refused, send, wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, useState } from 'react';

interface Props {
  readonly personId: string;
  readonly name: string;
  readonly own?: boolean;
}

/** Sets a new password: one's own, or a learner's. */
export function ResetPassword({ personId, name, own = false }: Props) {
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState('');
  const [present, setPresent] = useState('');
  const [said, setSaid] = useState<{ words: string; wrong: boolean; field?: string | undefined } | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      await send(`/api/people/${personId}/password`, { password, ...(own ? { present } : {}) });
      setSaid({ words: own ? 'The new password holds from now on. You are signed out everywhere else.' : 'The new password holds from now on.', wrong: false });
      setPassword('');
      setPresent('');
    } catch (problem) {
      setSaid({ words: wordsOf(problem), wrong: true, field: problem instanceof Refused ? problem.field : undefined });
    }
  };
  return (
    <>
      <button type="button" className={own ? 'button' : 'button-quiet'} onClick={() => setOpen(true)}>
        {own ? 'Change my password' : 'New password'}
      </button>
      <Sheet open={open} onOpenChange={setOpen} title={own ? 'Change my password' : `New password for ${name}`}>
        <form onSubmit={submit} className="space-y-4 p-1">
          {own && (
            <label className="block">
              <span className="mb-1 block font-semibold">Present password</span>
              <input
                className="field"
                type="password"
                autoComplete="current-password"
                value={present}
                onChange={(e) => setPresent(e.target.value)}
                required
                aria-invalid={said?.field === 'present'}
              />
            </label>
          )}
          <label className="block">
            <span className="mb-1 block font-semibold">New password</span>
            <input
              className="field"
              type="password"
              autoComplete="new-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              required
              aria-invalid={(said?.wrong ?? false) && said?.field !== 'present'}
            />
          </label>
          {said && (
            <p role={said.wrong ? 'alert' : 'status'} className={said.wrong ? 'text-signal' : ''}>
              {said.words}
            </p>
          )}
          <button type="submit" className="button-main">
            Set it
          </button>
        </form>
      </Sheet>
    </>
  );
}
