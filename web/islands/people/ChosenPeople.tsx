import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import type { Named } from '@web/ui/named';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, type ReactNode, useState } from 'react';
import { FirstPasswords } from './FirstPasswords';
import { GiveExercise } from './GiveExercise';

interface Props {
  readonly people: readonly Named[];
  /** Groups to which they can be moved. */
  readonly groups: readonly Named[];
  /** The group that they are looked at in; null: none. */
  readonly from: string | null;
  readonly onDone: () => void;
}

type Doing = 'give' | 'write' | 'move' | 'passwords';

const NOWHERE = '';

const counted = (people: readonly Named[]): string => (people.length === 1 ? (people[0]?.name ?? '') : `${people.length} people`);

interface FormProps {
  readonly error: string | null;
  readonly yes: string;
  readonly onSubmit: (event: FormEvent) => void;
  readonly children?: ReactNode;
}

function Form({ error, yes, onSubmit, children }: FormProps) {
  return (
    <form onSubmit={onSubmit} className="space-y-4 p-1">
      {children}
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      <button type="submit" className="button-main">
        {yes}
      </button>
    </form>
  );
}

/** What can be done with several people at once: give them an exercise, write to them, move them, give them new passwords. */
export function ChosenPeople({ people, groups, from, onDone }: Props) {
  const [open, setOpen] = useState<Doing | null>(null);
  const [words, setWords] = useState('');
  const others = groups.filter(({ id }) => id !== from);
  const [to, setTo] = useState(others[0]?.id ?? NOWHERE);
  const [said, setSaid] = useState<string | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [given, setGiven] = useState<AnswerOf<'newPasswords'>['people'] | null>(null);
  const ids = people.map(({ id }) => id);
  const show = (sheet: Doing): void => {
    setError(null);
    setGiven(null);
    setOpen(sheet);
  };
  const doing =
    (work: () => Promise<void>) =>
    async (event: FormEvent): Promise<void> => {
      event.preventDefault();
      setError(null);
      try {
        await work();
        setOpen((now) => (now === 'passwords' ? now : null));
      } catch (problem) {
        setError(wordsOf(problem));
      }
    };
  const write = doing(async () => {
    await call('writeTo', { body: { personIds: ids, words } });
    setWords('');
    setSaid(`Sent to ${counted(people)}: it stands under Today, where it can be answered.`);
  });
  const reset = doing(async () => setGiven((await call('newPasswords', { body: { personIds: ids } })).people));
  const move = doing(async () => {
    await call('movePeople', { body: { personIds: ids, from, to: to === NOWHERE ? null : to } });
    onDone();
    window.location.reload();
  });
  return (
    <div className="sticky bottom-0 z-20 mt-2 flex flex-wrap items-center gap-3 rounded-xl border-2 border-ink bg-card px-4 py-2" data-testid="chosen">
      <p className="mr-auto">
        <strong>{counted(people)}</strong> chosen
        {said && (
          <span role="status" className="ml-3 text-ink-soft text-sm">
            {said}
          </span>
        )}
      </p>
      <button type="button" className="button !py-1" onClick={() => show('give')}>
        Give an exercise
      </button>
      <button type="button" className="button !py-1" onClick={() => show('write')}>
        Write to them
      </button>
      {(others.length > 0 || from) && (
        <button type="button" className="button !py-1" onClick={() => show('move')}>
          Move them
        </button>
      )}
      <button type="button" className="button !py-1" onClick={() => show('passwords')}>
        New passwords
      </button>
      <button type="button" className="button-quiet" onClick={onDone}>
        Choose nobody
      </button>
      <GiveExercise
        open={open === 'give'}
        onOpenChange={() => setOpen(null)}
        people={people}
        whom={counted(people)}
        onGiven={(title) => setSaid(`“${title}” stands under Today of ${counted(people)}.`)}
      />
      <Sheet
        open={open === 'write'}
        onOpenChange={() => setOpen(null)}
        title={`Write to ${counted(people)}`}
        about="It stands under Today, and each can answer you there."
      >
        <Form error={error} yes="Send" onSubmit={write}>
          <label className="block">
            <span className="mb-1 block font-semibold">What you want to say</span>
            <textarea className="field" rows={4} maxLength={400} required value={words} onChange={(e) => setWords(e.target.value)} />
          </label>
        </Form>
      </Sheet>
      <Sheet open={open === 'move'} onOpenChange={() => setOpen(null)} title={`Move ${counted(people)}`} about="Their attempts, cards and levels go with them.">
        <Form error={error} yes="Move" onSubmit={move}>
          <Choice
            label="To"
            value={to}
            options={[...others.map(({ id, name }) => ({ id, label: name })), ...(from ? [{ id: NOWHERE, label: 'out of this group, into none' }] : [])]}
            onChange={setTo}
          />
        </Form>
      </Sheet>
      <Sheet
        open={open === 'passwords'}
        onOpenChange={() => setOpen(null)}
        title={`New passwords for ${counted(people)}`}
        about="Each gets a new one; the present one no longer holds, and they are signed out everywhere."
      >
        {given ? <FirstPasswords people={given} /> : <Form error={error} yes="Give them new ones" onSubmit={reset} />}
      </Sheet>
    </div>
  );
}
