import { call, wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import { LabelledInput } from '@web/ui/LabelledInput';
import { Sheet, SheetEnd } from '@web/ui/Sheet';
import { useEffect, useState } from 'react';
import type { PersonLine } from './person';

interface Leaving {
  readonly models: number;
  readonly exercises: number;
  readonly courses: number;
  readonly schemes: number;
  readonly heirs: readonly { readonly id: string; readonly name: string }[];
}

const THINGS = [
  ['models', 'model', 'models'],
  ['exercises', 'exercise', 'exercises'],
  ['courses', 'course', 'courses'],
  ['schemes', 'scheme', 'schemes'],
] as const;

const thingsOf = (leaving: Leaving): string =>
  THINGS.flatMap(([key, one, many]) => (leaving[key] > 0 ? [`${leaving[key]} ${leaving[key] === 1 ? one : many}`] : [])).join(', ');

/** Deletes a person for good, once their name was typed, and what others need of them has a new owner. */
export function DeletePerson({ person, onClose }: { readonly person: PersonLine; readonly onClose: () => void }) {
  const { id, name } = person;
  const [leaving, setLeaving] = useState<Leaving | null>(null);
  const [heirId, setHeirId] = useState('');
  const [typed, setTyped] = useState('');
  const [busy, setBusy] = useState(false);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    call('leavingOf', { params: { id } }).then(
      (found) => {
        setLeaving(found);
        setHeirId(found.heirs[0]?.id ?? '');
      },
      (problem) => setError(wordsOf(problem)),
    );
  }, [id]);
  const things = leaving ? thingsOf(leaving) : '';
  const remove = async (): Promise<void> => {
    setBusy(true);
    setError(null);
    try {
      await call('deletePerson', { params: { id }, body: { heirId: things === '' ? null : heirId } });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
      setBusy(false);
    }
  };
  return (
    <Sheet
      open
      onOpenChange={onClose}
      title={`Delete ${name}?`}
      about="All attempts, cards, comments, views and levels of this person go for good, from every list and every chart. This cannot be taken back."
    >
      <div className="space-y-4 p-1">
        <p>
          <a className="underline" href={`/api/people/${id}/everything`} download>
            Save everything of them first
          </a>{' '}
          if they may ask for it.
        </p>
        {leaving && things !== '' && (
          <Choice
            label={`Who takes over ${things}`}
            value={heirId}
            options={leaving.heirs.map((heir) => ({ id: heir.id, label: heir.name }))}
            onChange={setHeirId}
          />
        )}
        <LabelledInput label={`Type “${name}” to delete them`} autoComplete="off" value={typed} onChange={setTyped} />
        <SheetEnd
          error={error}
          no="Keep them"
          onNo={onClose}
          yes="Delete for good"
          onYes={() => void remove()}
          off={!leaving || busy || typed.trim().toLowerCase() !== name.toLowerCase()}
        />
      </div>
    </Sheet>
  );
}
