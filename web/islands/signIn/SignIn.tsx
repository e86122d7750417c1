import { call, type Refusal, refusalOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import { type FormEvent, useState } from 'react';

interface Props {
  readonly next: string;
  readonly demo: readonly { readonly name: string; readonly signIn: string; readonly role: string }[];
}

export function SignIn({ next, demo }: Props) {
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<Refusal | null>(null);

  const enter = async (work: Promise<unknown>): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await work;
      window.location.href = next || '/';
    } catch (problem) {
      setError(refusalOf(problem));
      setBusy(false);
    }
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    void enter(call('signIn', { body: { name, password } }));
  };

  return (
    <div className="mx-auto grid w-full max-w-4xl gap-10 pt-6 md:grid-cols-[1.1fr_1fr]">
      <section>
        <h1 className="text-5xl leading-[1.05]">Find your way round any model.</h1>
        <p className="mt-4 max-w-md text-ink-soft text-lg">
          Practise orbit, pan, zoom and the views that matter, with the device you have. Each try is scored, and one plain sentence says what to change.
        </p>
        <form onSubmit={submit} className="card mt-8 max-w-md space-y-4 p-6">
          <LabelledInput label="Name" name="name" autoComplete="username" value={name} onChange={setName} required maxLength={60} />
          <LabelledInput
            label="Password"
            name="password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={setPassword}
            required
            maxLength={200}
            aria-invalid={error?.field === 'password'}
            aria-describedby={error ? 'sign-in-error' : undefined}
          />
          {error && (
            <p id="sign-in-error" role="alert" className="font-semibold text-signal">
              {error.words}
            </p>
          )}
          <button type="submit" className="button-main w-full" disabled={busy}>
            {busy ? 'Signing in …' : 'Sign in'}
          </button>
          <p className="text-ink-soft text-sm">
            New here, with a code?{' '}
            <a className="underline" href="/join">
              Join a group
            </a>
            . Nothing leaves this server.
          </p>
        </form>
      </section>
      {demo.length > 0 && (
        <section aria-labelledby="demo-title" className="pt-2">
          <h2 id="demo-title" className="text-xl">
            The demo station
          </h2>
          <p className="mt-1 text-ink-soft">This is a demo: everyone at Ossick Head is made up and comes in without a password. Choose who you are:</p>
          <ul className="mt-4 grid gap-2">
            {demo.map((person) => (
              <li key={person.signIn}>
                <button
                  type="button"
                  className="card flex w-full items-baseline justify-between px-4 py-2.5 text-left hover:border-ink"
                  disabled={busy}
                  onClick={() => enter(call('demoSignIn', { body: { name: person.signIn } }))}
                >
                  <span className="font-semibold">{person.name}</span>
                  <span className="text-ink-soft text-sm">{person.role}</span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
