import { wordsOf } from '@web/ui/api';
import { type FormEvent, useState } from 'react';
import { LabelledInput } from './LabelledInput';
import { Sheet } from './Sheet';

interface Props {
  /** What is made, such as "New group": on the button and above the name. */
  readonly label: string;
  readonly longest: number;
  /** Makes it under that name, and says where it is. */
  readonly make: (name: string) => Promise<string>;
}

/** A button that asks for a name, makes something under it, and goes there. */
export function NameSheet({ label, longest, make }: Props) {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [error, setError] = useState<string | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      window.location.href = await make(name);
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <>
      <button type="button" className="button-main" onClick={() => setOpen(true)}>
        {label}
      </button>
      <Sheet open={open} onOpenChange={setOpen} title={label}>
        <form onSubmit={submit} className="space-y-4 p-1">
          <LabelledInput label="Name" required maxLength={longest} value={name} error={error} onChange={setName} />
          <button type="submit" className="button-main">
            Make it
          </button>
        </form>
      </Sheet>
    </>
  );
}
