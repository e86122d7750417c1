import { call, wordsOf } from '@web/ui/api';
import { useState } from 'react';

/** Makes an exercise of one's own with the same content, and opens it. */
export function CopyExercise({ id, name }: { readonly id: string; readonly name: string }) {
  const [error, setError] = useState<string | null>(null);
  const copy = async (): Promise<void> => {
    setError(null);
    try {
      const made = await call('copyExercise', { params: { id } });
      window.location.href = `/build/${made.id}`;
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <span>
      <button type="button" className="button-quiet whitespace-nowrap text-xs" onClick={copy}>
        Copy<span className="sr-only"> {name}</span>
      </button>
      {error && (
        <span role="alert" className="block text-signal text-xs">
          {error}
        </span>
      )}
    </span>
  );
}
