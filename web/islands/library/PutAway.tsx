import { call, wordsOf } from '@web/ui/api';
import { useState } from 'react';

interface Props {
  readonly what: 'exercise' | 'model';
  readonly id: string;
  readonly name: string;
  /** Whether it is put away now. */
  readonly away: boolean;
}

/** Puts an exercise or a model away, or brings it back; nothing of it is lost. */
export function PutAway({ what, id, name, away }: Props) {
  const [error, setError] = useState<string | null>(null);
  const change = async (): Promise<void> => {
    setError(null);
    try {
      if (what === 'exercise') await call('archiveExercise', { params: { id }, body: { archived: !away } });
      else await call('changeModel', { params: { id }, body: { archived: !away } });
      window.location.reload();
    } catch (problem) {
      setError(wordsOf(problem));
    }
  };
  return (
    <span>
      <button type="button" className="button-quiet whitespace-nowrap text-xs" onClick={change}>
        {away ? 'Bring back' : 'Put away'}
        <span className="sr-only"> {name}</span>
      </button>
      {error && (
        <span role="alert" className="block text-signal text-xs">
          {error}
        </span>
      )}
    </span>
  );
}
