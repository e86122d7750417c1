import { call, refusalOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
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
      await call('setPassword', { params: { id: personId }, body: { password, ...(own ? { present } : {}) } });
      setSaid({ words: own ? 'The new password holds from now on. You are signed out everywhere else.' : 'The new password holds from now on.', wrong: false });
      setPassword('');
      setPresent('');
    } catch (problem) {
      setSaid({ ...refusalOf(problem), wrong: true });
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
            <LabelledInput
              label="Present password"
              type="password"
              autoComplete="current-password"
              value={present}
              onChange={setPresent}
              required
              aria-invalid={said?.field === 'present'}
            />
          )}
          <LabelledInput
            label="New password"
            type="password"
            autoComplete="new-password"
            value={password}
            onChange={setPassword}
            required
            aria-invalid={(said?.wrong ?? false) && said?.field !== 'present'}
          />
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
