import type { Step } from '@core/exercise';
import { EMPTY_HISTORY, type Scene } from '@core/navigation';
import type { View } from '@core/view';
import type { Prepared } from '@web/stage/prepared';
import type { Recorder } from '@web/stage/recorder';
import type { Closeness, ClosenessWorker } from '@web/workers/closeness.worker';
import { type Remote, releaseProxy, wrap } from 'comlink';
import { useEffect, useRef, useState } from 'react';

/** A hand rests that has not moved for this long, ms. */
const REST = 350;

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
    let rests = false;
    let timer: ReturnType<typeof setTimeout> | undefined;
    // Another attempt or step begins anew.
    const attempt = `${step.id} ${Math.random()}`;
    const judge = async (): Promise<void> => {
      if (busy) return;
      busy = true;
      const api = await open;
      while (waiting && !ended) {
        const { history: _, ...scene } = waiting;
        const resting = rests;
        waiting = null;
        const found = (await api.judge(step, { ...scene, history: EMPTY_HISTORY }, attempt, resting)) as Closeness | null;
        if (ended) return;
        setCloseness(found);
        if (!found?.wantsRest || resting) continue;
        clearTimeout(timer);
        timer = setTimeout(() => look(true), REST);
      }
      busy = false;
    };
    const look = (resting: boolean): void => {
      const { scene } = session.getState();
      waiting = scene;
      rests = resting;
      void judge();
    };
    look(false);
    const unsubscribe = session.subscribe(() => look(false));
    return () => {
      ended = true;
      clearTimeout(timer);
      unsubscribe();
    };
  }, [session, step, wanted]);

  return closeness;
}
