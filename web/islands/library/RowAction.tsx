import { wordsOf } from '@web/ui/api';
import { useState } from 'react';

interface Props {
  readonly label: string;
  /** What it is done to: said, not shown. */
  readonly name: string;
  readonly act: () => Promise<void>;
}

/** One thing to be done with what a row or a card stands for; why it could not be done stands below it. */
export function RowAction({ label, name, act }: Props) {
  const [error, setError] = useState<string | null>(null);
  const press = (): void => {
    setError(null);
    act().catch((problem) => setError(wordsOf(problem)));
  };
  return (
    <span>
      <button type="button" className="button-quiet whitespace-nowrap text-xs" onClick={press}>
        {label}
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
