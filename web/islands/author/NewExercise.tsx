import { call, wordsOf } from '@web/ui/api';
import { Sheet } from '@web/ui/Sheet';
import { useState } from 'react';

interface Props {
  readonly models: readonly { readonly id: string; readonly name: string; readonly triangles: number }[];
}

/** Chooses the model that a new exercise is built on. */
export function NewExercise({ models }: Props) {
  const [open, setOpen] = useState(false);
  const [error, setError] = useState<string | null>(null);
  const make = async (modelId: string): Promise<void> => {
    try {
      const { id } = await call('makeExercise', { body: { modelId } });
      window.location.href = `/build/${id}`;
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <>
      <button type="button" className="button-main" onClick={() => setOpen(true)}>
        New exercise
      </button>
      <Sheet open={open} onOpenChange={setOpen} title="On which model?" about="The exercise begins at the model's home view; you can change that.">
        {error && <p role="alert">{error}</p>}
        <ul className="space-y-2 p-1">
          {models.map((model) => (
            <li key={model.id}>
              <button type="button" className="card flex w-full items-baseline justify-between px-4 py-3 hover:border-ink" onClick={() => make(model.id)}>
                <span className="font-semibold">{model.name}</span>
                <span className="text-ink-soft text-sm">{model.triangles.toLocaleString('en')} triangles</span>
              </button>
            </li>
          ))}
        </ul>
        {models.length === 0 && (
          <p>
            There is no model yet: import one in the{' '}
            <a className="underline" href="/library">
              library
            </a>
            .
          </p>
        )}
      </Sheet>
    </>
  );
}
