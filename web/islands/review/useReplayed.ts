import type { TraineeExercise } from '@core/exercise';
import type { ScoredModel } from '@core/model';
import { type Replayed, replayedOf } from '@core/review';
import { type Trace, upcastTrace } from '@core/trace';
import { call, wordsOf } from '@web/ui/api';
import { useEffect, useMemo, useState } from 'react';

/** Fetches the record of an attempt and replays it once; of none with null. `error`: why it cannot be, in words. */
export function useReplayed(
  id: string | null,
  steps: TraineeExercise['steps'],
  model: ScoredModel | null,
): { replayed: Replayed | null; error: string | null } {
  const [fetched, setFetched] = useState<{ id: string; trace: Trace } | null>(null);
  const [error, setError] = useState<string | null>(null);
  useEffect(() => {
    if (!id) return;
    let wanted = true;
    setError(null);
    call('trace', { params: { id } }).then(
      (sent) => wanted && setFetched({ id, trace: upcastTrace(sent) as Trace }),
      (failure) => wanted && setError(wordsOf(failure)),
    );
    return () => {
      wanted = false;
    };
  }, [id]);
  const replayed = useMemo(() => (fetched && model && fetched.id === id ? replayedOf(steps, model, fetched.trace) : null), [fetched, model, steps, id]);
  return { replayed, error };
}
