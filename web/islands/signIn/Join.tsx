import { call, type Refusal, refusalOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import { type FormEvent, useState } from 'react';

/** Joins a group by its code: name and own password, and one is in. */
export function Join({ code: given }: { readonly code: string }) {
  const [input, setInput] = useState({ code: given, name: '', password: '' });
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<Refusal | null>(null);
  const [signIn, setSignIn] = useState<string | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    setBusy(true);
    setError(null);
    try {
      setSignIn((await call('join', { body: input })).signIn);
    } catch (problem) {
      setError(refusalOf(problem));
      setBusy(false);
    }
  };
  if (signIn)
    return (
      <div className="mx-auto max-w-md pt-6" role="status">
        <h1 className="text-3xl">You are in, {input.name.trim()}.</h1>
        <p className="mt-4">
          When you come again, sign in as <strong className="font-mono">{signIn}</strong> with the password you just chose. Write the name down.
        </p>
        <a className="button-main mt-6" href="/today">
          Go to Today
        </a>
      </div>
    );
  const field = (key: keyof typeof input, label: string, more: { type?: string; autoComplete: string; maxLength: number }) => (
    <LabelledInput
      label={label}
      name={key}
      required
      value={input[key]}
      error={error?.field === key ? error.words : null}
      onChange={(value) => setInput({ ...input, [key]: value })}
      {...more}
    />
  );
  return (
    <form onSubmit={submit} className="card mx-auto mt-6 w-full max-w-md space-y-4 p-6">
      <h1 className="text-3xl">Join a group</h1>
      <p className="text-ink-soft">Your instructor gives you the code. Who has been here before signs in instead.</p>
      {field('code', 'Code', { autoComplete: 'off', maxLength: 40 })}
      {field('name', 'Your name', { autoComplete: 'name', maxLength: 80 })}
      {field('password', 'A password of your own, 8 characters or more', { type: 'password', autoComplete: 'new-password', maxLength: 200 })}
      {error && !error.field && (
        <p role="alert" className="font-semibold text-signal">
          {error.words}
        </p>
      )}
      <button type="submit" className="button-main w-full" disabled={busy}>
        {busy ? 'Joining …' : 'Join'}
      </button>
      <p className="text-sm">
        <a className="underline" href="/">
          Sign in instead
        </a>
      </p>
    </form>
  );
}
