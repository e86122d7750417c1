import { call, type Refusal, refusalOf } from '@web/ui/api';
import { LabelledInput } from '@web/ui/LabelledInput';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, useState } from 'react';

interface Props {
  readonly groupId: string;
  readonly mayAddInstructors: boolean;
}

const EMPTY = { name: '', signIn: '', password: '', role: 'trainee' as 'trainee' | 'instructor' };

/** Adds a new person to a group. */
export function AddPerson({ groupId, mayAddInstructors }: Props) {
  const [open, setOpen] = useState(false);
  const [person, setPerson] = useState(EMPTY);
  const [error, setError] = useState<Refusal | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      await call('addPerson', { params: { id: groupId }, body: person });
      window.location.reload();
    } catch (problem) {
      setError(refusalOf(problem));
    }
  };
  const input = (key: 'name' | 'signIn' | 'password', label: string, type = 'text') => (
    <LabelledInput
      label={label}
      type={type}
      autoComplete="off"
      required
      value={person[key]}
      error={error?.field === key ? error.words : null}
      onChange={(value) => setPerson({ ...person, [key]: value })}
    />
  );
  return (
    <>
      <button type="button" className="button" onClick={() => setOpen(true)}>
        Add a person
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="Add a person">
        <form onSubmit={submit} className="space-y-4 p-1">
          {input('name', 'Name')}
          {input('signIn', 'Signs in as')}
          {input('password', 'First password')}
          {mayAddInstructors && (
            <label className="block">
              <span className="mb-1 block font-semibold">Role</span>
              <select className="field" value={person.role} onChange={(e) => setPerson({ ...person, role: e.target.value as 'trainee' | 'instructor' })}>
                <option value="trainee">trainee</option>
                <option value="instructor">instructor</option>
              </select>
            </label>
          )}
          {error && !error.field && (
            <p role="alert" className="text-signal">
              {error.words}
            </p>
          )}
          <button type="submit" className="button-main">
            Add
          </button>
        </form>
      </Sheet>
    </>
  );
}
