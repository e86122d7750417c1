import { THRESHOLD } from '@core/progress';
import type { ForecastWorker } from '@web/workers/forecast.worker';
import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';

type Told = NonNullable<ReturnType<ForecastWorker['drawnOn']>>;

/** The learning curve of these scores drawn on to the threshold; null: not known yet, or the attempts tell of none. */
export function useForecast(scores: readonly number[]): Told | null {
  const [told, setTold] = useState<Told | null>(null);
  const key = JSON.stringify(scores);
  useEffect(() => {
    setTold(null);
    const those = JSON.parse(key) as number[];
    if (those.length === 0) return;
    const worker = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
    const remote: Remote<ForecastWorker> = wrap(worker);
    let wanted = true;
    void remote.drawnOn(those, THRESHOLD).then((found) => wanted && setTold(found));
    return () => {
      wanted = false;
      worker.terminate();
    };
  }, [key]);
  return told;
}
