import { contextFor, type ScoredModel } from '@core/model';
import type { Replayed } from '@core/review';
import { shownPoints } from '@web/ui/points';
import { format } from 'date-fns';
import { useMemo, useState } from 'react';
import { attemptAsReference, type Reference, recordingAsReference } from './reference';
import type { Reviewed } from './reviewed';
import { useReplayed } from './useReplayed';

/** The author's own way, beside attempts by their ids. */
const AUTHOR = 'author';

export interface ChosenReference {
  readonly choices: readonly { readonly id: string; readonly name: string }[];
  /** Empty: none. */
  readonly chosen: string;
  readonly choose: (id: string) => void;
  /** Null: none is chosen, or it is not there yet. */
  readonly reference: Reference | null;
  readonly error: string | null;
}

/** What an attempt can be laid beside: its author's way, the learner's other attempts, and for those who teach the best of the class. */
export function useReference({ exercise, known, own, best, attemptId }: Reviewed, main: Replayed, model: ScoredModel): ChosenReference {
  const [chosen, choose] = useState('');
  const author = useMemo(() => (known ? recordingAsReference(main, exercise.steps, contextFor(model, exercise.start)) : null), [main, model, known, exercise]);
  const others = [
    ...own.flatMap(({ id, score, at }, i) =>
      id === attemptId ? [] : [{ id, name: `Attempt ${i + 1} of ${own.length}, ${format(new Date(at), 'd MMM')}: ${shownPoints(score)} points` }],
    ),
    ...(best && !own.some(({ id }) => id === best.id) ? [{ id: best.id, name: `The best of the class: ${shownPoints(best.score)} points` }] : []),
  ];
  const name = others.find(({ id }) => id === chosen)?.name ?? '';
  const { replayed, error } = useReplayed(name ? chosen : null, exercise.steps, model);
  const reference = useMemo(
    () => (chosen === AUTHOR ? author : replayed && name ? attemptAsReference(name, main, replayed) : null),
    [chosen, author, main, replayed, name],
  );
  return { choices: [...(author ? [{ id: AUTHOR, name: author.name }] : []), ...others], chosen, choose, reference, error };
}
