import { call, type Refusal, refusalOf, wordsOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import type { Named } from '@web/ui/named';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, useState } from 'react';
import { GiveExercise } from './GiveExercise';

interface NoteLine {
  readonly id: string;
  readonly author: string;
  readonly words: string;
  readonly mine: boolean;
  /** When, in words. */
  readonly at: string;
}

interface Props {
  readonly learner: Named;
  readonly notes: readonly NoteLine[];
  /** Days by which everything is due later for them. */
  readonly extra: { readonly days: number; readonly why: string; readonly by: string | null } | null;
  /** Exercises that they were given by name; `due`: the day in words. */
  readonly given: readonly { readonly exerciseId: string; readonly title: string; readonly due: string | null }[];
}

/** Gives a learner more time, or takes it back. */
function ExtraTime({ personId, extra }: { readonly personId: string; readonly extra: Props['extra'] }) {
  const [open, setOpen] = useState(false);
  const [days, setDays] = useState(String(extra?.days ?? 7));
  const [why, setWhy] = useState(extra?.why ?? '');
  const [error, setError] = useState<Refusal | null>(null);
  const give = async (event: FormEvent | null, number: number): Promise<void> => {
    event?.preventDefault();
    setError(null);
    if (!Number.isInteger(number) || number < 0 || number > 365) {
      setError({ words: 'whole days, 1 to 365', field: 'days' });
      return;
    }
    try {
      await call('giveExtraTime', { params: { id: personId }, body: { days: number, why } });
      window.location.reload();
    } catch (problem) {
      setError(refusalOf(problem));
    }
  };
  return (
    <div className="flex flex-wrap items-baseline gap-3">
      <p>
        {extra ? (
          <>
            Everything is due <strong>{extra.days === 1 ? 'a day' : `${extra.days} days`} later</strong>: {extra.why}
            {extra.by && <span className="text-ink-soft"> ({extra.by})</span>}
          </>
        ) : (
          <span className="text-ink-soft">Due dates are those of the group.</span>
        )}
      </p>
      <button type="button" className="button-quiet text-sm print:hidden" onClick={() => setOpen(true)}>
        {extra ? 'Change' : 'Give more time'}
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="More time" about="Everything is due so many days later for this learner, who is told why.">
        <form onSubmit={(event) => void give(event, Number(days))} className="space-y-4 p-1">
          <LabelledInput label="Days" inputMode="numeric" value={days} error={error?.field === 'days' ? error.words : null} onChange={setDays} />
          <LabelledInput label="Why" maxLength={200} value={why} error={error?.field === 'why' ? error.words : null} onChange={setWhy} />
          {error && error.field !== 'days' && error.field !== 'why' && (
            <p role="alert" className="text-signal">
              {error.words}
            </p>
          )}
          <div className="flex justify-end gap-3">
            {extra && (
              <button type="button" className="button" onClick={() => void give(null, 0)}>
                Take it back
              </button>
            )}
            <button type="submit" className="button-main">
              Give it
            </button>
          </div>
        </form>
      </Sheet>
    </div>
  );
}

/** Exercises that the learner was given by name. */
function GivenByName({ learner, given }: Pick<Props, 'learner' | 'given'>) {
  const [open, setOpen] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const takeBack = async (exerciseId: string): Promise<void> => {
    setError(null);
    try {
      await call('takeFrom', { params: { id: learner.id }, body: { exerciseId } });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <div className="flex flex-wrap items-baseline gap-x-3">
      {given.length === 0 ? (
        <p className="text-ink-soft">Nothing is given by name beside what the group has.</p>
      ) : (
        <ul className="w-full">
          {given.map(({ exerciseId, title, due }) => (
            <li key={exerciseId} className="flex flex-wrap items-baseline gap-x-3">
              <span>
                Given by name: <strong>{title}</strong>
                {due && `, due on ${due}`}
              </span>
              <button type="button" className="button-quiet !py-0 text-xs" onClick={() => void takeBack(exerciseId)}>
                Take it back<span className="sr-only">: {title}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="button-quiet text-sm" onClick={() => setOpen(true)}>
        Give an exercise
      </button>
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      <GiveExercise open={open} onOpenChange={setOpen} people={[learner]} whom={learner.name} onGiven={() => window.location.reload()} />
    </div>
  );
}

/** What those who teach know of a learner beside the figures: more time, exercises given by name, and notes that the learner does not see. */
export function AboutLearner({ learner, notes, extra, given }: Props) {
  const personId = learner.id;
  const [shown, setShown] = useState(notes);
  const [words, setWords] = useState('');
  const [error, setError] = useState<string | null>(null);
  const trying = async (work: () => Promise<void>): Promise<void> => {
    setError(null);
    try {
      await work();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  const add = (event: FormEvent): void => {
    event.preventDefault();
    void trying(async () => {
      const { id } = await call('addNote', { params: { id: personId }, body: { words } });
      setShown([{ id, author: 'You', words: words.trim(), mine: true, at: 'just now' }, ...shown]);
      setWords('');
    });
  };
  const remove = (id: string): void =>
    void trying(async () => {
      await call('removeNote', { params: { id } });
      setShown(shown.filter((note) => note.id !== id));
    });
  return (
    <section aria-labelledby="notes" className="card mt-6 p-5 print:hidden">
      <h2 id="notes" className="text-xl">
        Notes
      </h2>
      <p className="mb-2 text-ink-soft text-sm">For those who teach; the learner does not see them.</p>
      <ul>
        {shown.map((note) => (
          <li key={note.id} className="flex gap-3 border-rule border-b py-1.5">
            <span className="w-24 shrink-0 text-ink-soft text-sm leading-6">{note.at}</span>
            <span className="min-w-0 flex-1 whitespace-pre-line break-words">
              {note.words} <span className="text-ink-soft text-sm">{note.author}</span>
            </span>
            {note.mine && (
              <button type="button" className="button-quiet !py-0 text-xs" onClick={() => remove(note.id)}>
                Remove<span className="sr-only">: {note.words.slice(0, 40)}</span>
              </button>
            )}
          </li>
        ))}
      </ul>
      <form onSubmit={add} className="mt-2 flex gap-2">
        <input className="field" aria-label="A new note" placeholder="A new note" maxLength={2000} value={words} onChange={(e) => setWords(e.target.value)} />
        <button type="submit" className="button" disabled={words.trim() === ''}>
          Note it
        </button>
      </form>
      {error && (
        <p role="alert" className="text-signal">
          {error}
        </p>
      )}
      <div className="mt-3 border-rule border-t pt-3">
        <ExtraTime personId={personId} extra={extra} />
        <GivenByName learner={learner} given={given} />
      </div>
    </section>
  );
}
