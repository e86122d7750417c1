import { call, wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { type FormEvent, useState } from 'react';

export function NewGroup() {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('');
  const [error, setError] = useState<string | null>(null);
  const submit = async (event: FormEvent): Promise<void> => {
    event.preventDefault();
    try {
      const { id } = await call('makeGroup', { body: { name } });
      window.location.href = `/groups/${id}`;
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <>
      <button type="button" className="button-main" onClick={() => setOpen(true)}>
        New group
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="New group">
        <form onSubmit={submit} className="space-y-4 p-1">
          <label className="block">
            <span className="mb-1 block font-semibold">Name</span>
            <input className="field" value={name} maxLength={80} required onChange={(e) => setName(e.target.value)} aria-invalid={error !== null} />
          </label>
          {error && (
            <p role="alert" className="text-signal">
              {error}
            </p>
          )}
          <button type="submit" className="button-main">
            Make it
          </button>
        </form>
      </Sheet>
    </>
  );
}
