import type { TraineeExercise } from '@core/exercise';
import type { ScoredModel } from '@core/model';
import { type AttemptPlayer, attemptPlayer, type Folding, foldingOf, type GestureBlock, gesturesOf, type PromptFrom, promptsOf } from '@core/review';
import { type Trace, upcastTrace } from '@core/trace';
import { call, wordsOf } from '@web/ui/api';
import { useEffect, useState } from 'react';

/** An attempt that can be played: everything that its screen looks up while it runs. */
export interface Replayed {
  readonly trace: Trace;
  readonly player: AttemptPlayer;
  readonly folding: Folding;
  /** The gestures of all steps, in the order of time. */
  readonly gestures: readonly GestureBlock[];
  /** What each step asked for in its course. */
  readonly prompts: readonly (readonly PromptFrom[])[];
}

function replayedOf(steps: TraineeExercise['steps'], model: ScoredModel, trace: Trace): Replayed {
  const player = attemptPlayer(steps, model, trace);
  return {
    trace,
    player,
    folding: foldingOf(trace),
    gestures: player.evidence.flatMap((evidence) => (evidence ? gesturesOf(evidence) : [])),
    prompts: player.evidence.map((evidence, step) => {
      const goal = steps[step]?.goal;
      return evidence && goal ? promptsOf(goal, trace.seed, evidence) : [];
    }),
  };
}

/** Fetches the record of an attempt and replays it once. `error`: why it cannot be, in words. */
export function useReplayed(
  id: string | null,
  steps: TraineeExercise['steps'],
  model: ScoredModel | null,
): { replayed: Replayed | null; error: string | null } {
  const [trace, setTrace] = useState<{ id: string; trace: Trace } | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [made, setMade] = useState<{ id: string; replayed: Replayed } | null>(null);
  useEffect(() => {
    if (!id) return;
    let wanted = true;
    setError(null);
    call('trace', { params: { id } }).then(
      (sent) => wanted && setTrace({ id, trace: upcastTrace(sent) as Trace }),
      (failure) => wanted && setError(wordsOf(failure)),
    );
    return () => {
      wanted = false;
    };
  }, [id]);
  useEffect(() => {
    if (trace && model && trace.id === id) setMade({ id: trace.id, replayed: replayedOf(steps, model, trace.trace) });
  }, [trace, model, steps, id]);
  return { replayed: made && made.id === id ? made.replayed : null, error };
}
