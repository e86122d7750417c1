import { call, wordsOf } from '@web/ui/api';
import { Choice } from '@web/ui/fields';
import { LabelledInput } from '@web/ui/LabelledInput';
import { Sheet } from '@web/ui/Sheet';
import { useState } from 'react';
import { DeletePerson } from './DeletePerson';
import type { PersonLine } from './person';
import { ResetPassword } from './ResetPassword';

const ROLES = [
  { id: 'trainee', label: 'trainee' },
  { id: 'instructor', label: 'instructor' },
  { id: 'lead', label: 'lead' },
] as const;

interface Props {
  readonly person: PersonLine;
  /** Who looks. */
  readonly me: string;
  readonly onClose: () => void;
}

/** One person, and what a lead can change of them. */
export function PersonSheet({ person, me, onClose }: Props) {
  const { id, name, signIn, role, deactivated, groups } = person;
  const [error, setError] = useState<string | null>(null);
  const [nextRole, setNextRole] = useState<PersonLine['role']>(role);
  const [deleting, setDeleting] = useState(false);
  const [nextName, setNextName] = useState(name);
  const change = async (body: { name?: string; role?: PersonLine['role']; active?: boolean }): Promise<void> => {
    setError(null);
    try {
      await call('changePerson', { params: { id }, body });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <>
      <Sheet
        open={!deleting}
        onOpenChange={onClose}
        title={name}
        about={`Signs in as ${signIn}${groups.length > 0 ? `; in ${groups.map((group) => group.name).join(', ')}` : ''}.`}
      >
        <div className="space-y-4 p-1">
          <div className="flex flex-wrap gap-x-4 gap-y-2">
            {role === 'trainee' && (
              <a className="button-quiet" href={`/learners/${id}`}>
                Progress
              </a>
            )}
            {id !== me && <ResetPassword personId={id} name={name} />}
            <a className="button-quiet" href={`/api/people/${id}/everything`} download>
              Save everything of them
            </a>
          </div>
          <form
            className="flex items-end gap-3"
            onSubmit={(event) => {
              event.preventDefault();
              void change({ name: nextName });
            }}
          >
            <div className="min-w-0 flex-1">
              <LabelledInput label="Name" required maxLength={80} value={nextName} onChange={setNextName} />
            </div>
            <button type="submit" className="button" disabled={nextName.trim() === '' || nextName.trim() === name}>
              Save the name
            </button>
          </form>
          {id === me ? (
            <p className="text-ink-soft">This is you: another lead changes your role, or deletes you.</p>
          ) : (
            <>
              <div>
                <Choice label="Role" value={nextRole} options={ROLES} onChange={setNextRole} />
                {nextRole !== role && (
                  <button type="button" className="button" onClick={() => void change({ role: nextRole })}>
                    Make them {nextRole}
                  </button>
                )}
              </div>
              <div className="flex flex-wrap justify-between gap-3 border-rule border-t pt-4">
                <button type="button" className="button" onClick={() => void change({ active: deactivated })}>
                  {deactivated ? 'Let them sign in again' : 'Deactivate'}
                </button>
                <button type="button" className="button text-signal" onClick={() => setDeleting(true)}>
                  Delete with all data …
                </button>
              </div>
              {!deactivated && (
                <p className="text-ink-soft text-sm">Who is deactivated cannot sign in and stands in no list of learners; nothing of theirs changes.</p>
              )}
            </>
          )}
          {error && (
            <p role="alert" className="text-signal">
              {error}
            </p>
          )}
        </div>
      </Sheet>
      {deleting && <DeletePerson person={person} onClose={onClose} />}
    </>
  );
}
