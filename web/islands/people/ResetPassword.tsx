import { send, wordsOf } from '@web/ui/api';
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
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      await send(`/api/people/${personId}/password`, { password });
      setSaid({ words: 'The new password holds from now on.', wrong: false });
      setPassword('');
    } catch (problem) {
      setSaid({ words: wordsOf(problem), wrong: true });
    }
  };
  return (
    <>
      <button type="button" className={own ? 'button' : 'button-quiet'} onClick={() => setOpen(true)}>
        {own ? 'Change my password' : 'New password'}
      </button>
      <Sheet open={open} onOpenChange={setOpen} title={own ? 'Change my password' : `New password for ${name}`}>
        <form onSubmit={submit} className="space-y-4 p-1">
          <label className="block">
            <span className="mb-1 block font-semibold">New password</span>
            <input
              className="field"
              type="password"
              autoComplete="new-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
              required
              aria-invalid={said?.wrong ?? false}
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
