import type { TraineeExercise } from '@core/exercise';
import type { ScoredModel } from '@core/model';
import type { Moment } from '@core/review';
import type { Trace } from '@core/trace';
import type { JudgedSamples, ReviewWorker } from '@web/workers/review.worker';
import { proxy, releaseProxy, wrap } from 'comlink';
import { useEffect, useState } from 'react';

export type Samples = JudgedSamples['samples'][number];

export interface LookedThrough {
  /** What is worth a look; null: not known yet. */
  readonly moments: readonly Moment[] | null;
  /** What the criteria came to, step by step, in the order of time; grows while it is computed. */
  readonly samples: readonly (readonly Samples[])[];
}

const timeOf = (samples: Samples): number => Object.values(samples)[0]?.t ?? 0;

/** Looks an attempt through in a worker: moments first, then how close it was over time. */
export function useLookedThrough(steps: TraineeExercise['steps'], known: boolean, model: ScoredModel | null, trace: Trace | null): LookedThrough {
  const [moments, setMoments] = useState<readonly Moment[] | null>(null);
  const [samples, setSamples] = useState<LookedThrough['samples']>([]);
  useEffect(() => {
    if (!model || !trace) return;
    const worker = new Worker(new URL('../../workers/review.worker.ts', import.meta.url), { type: 'module' });
    const api = wrap<ReviewWorker>(worker);
    let wanted = true;
    void (async () => {
      await api.open(model.mesh, model.home, steps, trace);
      const found = (await api.moments(known)) as Moment[];
      if (!wanted) return;
      setMoments(found);
      if (!known) return;
      await api.curves(
        proxy(({ step, samples: more }: JudgedSamples) => {
          if (!wanted) return;
          setSamples((before) => steps.map((_, i) => (i === step ? [...(before[i] ?? []), ...more].sort((a, b) => timeOf(a) - timeOf(b)) : (before[i] ?? []))));
        }),
      );
    })();
    return () => {
      wanted = false;
      api[releaseProxy]();
      worker.terminate();
    };
  }, [steps, known, model, trace]);
  return { moments, samples };
}
