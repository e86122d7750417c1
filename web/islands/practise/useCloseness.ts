import type { Step } from '@core/exercise';
import { EMPTY_HISTORY, type Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { Prepared } from '@web/stage/prepared';
import type { Recorder } from '@web/stage/recorder';
import type { Closeness, ClosenessWorker } from '@web/workers/closeness.worker';
import { type Remote, releaseProxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';

/** How close the present scene is, judged in a worker; while one judgement runs, only the newest scene waits. */
export function useCloseness(prepared: Prepared | null, home: View, session: Recorder | null, step: Step | null, wanted: boolean): Closeness | null {
  const [closeness, setCloseness] = useState<Closeness | null>(null);
  const worker = useRef<Promise<Remote<ClosenessWorker>> | null>(null);

  useEffect(() => {
    if (!prepared || !wanted) return;
    const made = new Worker(new URL('../../workers/closeness.worker.ts', import.meta.url), { type: 'module' });
    const api = wrap<ClosenessWorker>(made);
    worker.current = api.open(prepared.mesh, home).then(() => api);
    return () => {
      worker.current = null;
      api[releaseProxy]();
      made.terminate();
    };
  }, [prepared, home, wanted]);

  useEffect(() => {
    setCloseness(null);
    const open = worker.current;
    if (!session || !step || !open || !wanted) return;
    let waiting: Scene | null = null;
    let busy = false;
    let ended = false;
    const judge = async (): Promise<void> => {
      if (busy) return;
      busy = true;
      const api = await open;
      while (waiting && !ended) {
        const { history: _, ...scene } = waiting;
        waiting = null;
        const found = (await api.judge(step, { ...scene, history: EMPTY_HISTORY })) as Closeness | null;
        if (!ended) setCloseness(found);
      }
      busy = false;
    };
    const look = (): void => {
      const { scene } = session.getState();
      waiting = scene;
      void judge();
    };
    look();
    const unsubscribe = session.subscribe(look);
    return () => {
      ended = true;
      unsubscribe();
    };
  }, [session, step, wanted]);

  return closeness;
}
