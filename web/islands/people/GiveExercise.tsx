import type { AnswerOf } from '@web/http/answers';
import { call, wordsOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import type { Named } from '@web/ui/named';
import { SearchField } from '@web/ui/SearchField';
import { Sheet, SheetEnd } from '@web/ui/Sheet';
import { useEffect, useState } from 'react';

interface Props {
  readonly open: boolean;
  readonly onOpenChange: (open: boolean) => void;
  readonly people: readonly Named[];
  /** To whom, in words. */
  readonly whom: string;
  readonly onGiven: (title: string) => void;
}

/** Gives an exercise to trainees by name, beside what their groups have. */
export function GiveExercise({ open, onOpenChange, people, whom, onGiven }: Props) {
  const [exercises, setExercises] = useState<AnswerOf<'exercisesToGive'>['exercises'] | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [sought, setSought] = useState('');
  const [dueOn, setDueOn] = useState('');
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    if (!open) return;
    setError(null);
    call('exercisesToGive', {}).then(
      (answer) => setExercises(answer.exercises),
      (problem) => setError(wordsOf(problem)),
    );
  }, [open]);
  const found = exercises?.filter(({ title }) => title.toLowerCase().includes(sought.trim().toLowerCase())) ?? [];
  const give = async (): Promise<void> => {
    if (!chosen) return;
    setError(null);
    try {
      await call('giveTo', { body: { personIds: people.map(({ id }) => id), exerciseId: chosen, dueOn: dueOn || null } });
      onGiven(exercises?.find(({ id }) => id === chosen)?.title ?? '');
      onOpenChange(false);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <Sheet
      open={open}
      onOpenChange={onOpenChange}
      title={`Give ${whom} an exercise`}
      about="Beside what the group has. It stands under Today, and they are told."
    >
      <div className="space-y-4 p-1">
        <div>
          <SearchField label="Look for an exercise" placeholder="Look for an exercise" value={sought} onChange={setSought} />
          <ul className="mt-2 max-h-[35vh] overflow-y-auto" aria-busy={exercises === null}>
            {found.map(({ id, title }) => (
              <li key={id} className="border-rule border-b">
                <label className="flex cursor-pointer items-center gap-3 py-1.5">
                  <input type="radio" name="exercise" className="h-4 w-4 accent-[var(--color-ink)]" checked={chosen === id} onChange={() => setChosen(id)} />
                  {title}
                </label>
              </li>
            ))}
          </ul>
          {exercises && found.length === 0 && (
            <p className="mt-2 text-ink-soft">{exercises.length === 0 ? 'Nothing is published yet: build an exercise first.' : 'No exercise is called so.'}</p>
          )}
        </div>
        <LabelledInput label="Due on (may stay empty)" type="date" value={dueOn} onChange={setDueOn} />
        <SheetEnd error={error} no="Not now" onNo={() => onOpenChange(false)} yes="Give it" onYes={() => void give()} off={!chosen} />
      </div>
    </Sheet>
  );
}
