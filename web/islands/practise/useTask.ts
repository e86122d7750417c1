import { type RedactedGoal, taskOf } from '@core/goals';
import type { ScoredModel } from '@core/model';
import type { Recorder } from '@web/stage/recorder';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import { type AskedNow, type RunningTask, runTask } from './runTask';

const nothing = createStore<AskedNow>(() => ({ prompt: null, done: true }));

/** The task of the present step while it runs. */
export function useTask(
  goal: RedactedGoal | null,
  session: Recorder | null,
  seed: number,
  step: number,
): AskedNow & Pick<RunningTask, 'confirm' | 'answer' | 'measured'> {
  const [running, setRunning] = useState<RunningTask | null>(null);
  useEffect(() => {
    if (!goal || !session) return;
    const made = runTask(goal, session, seed, step);
    setRunning(made);
    return () => {
      made.end();
      setRunning(null);
    };
  }, [goal, session, seed, step]);
  const asked = useStore(running ?? nothing);
  return { ...asked, confirm: running?.confirm ?? (() => {}), answer: running?.answer ?? (() => {}), measured: running?.measured ?? (() => {}) };
}

const STILL = 'The stage stands still here: answer beside it.';

/** Lets commands stand for what they mean in the present step, and keeps the stage still where it has to be. */
export function useMeaning(goal: RedactedGoal | null, session: Recorder | null, model: ScoredModel | null): void {
  useEffect(() => {
    if (!goal || !session || !model) return;
    const { meant, still } = taskOf(goal);
    session.setStill(still ? STILL : null);
    session.setMeaning(meant ? (command, scene) => meant(goal, command, scene, model) : null);
    return () => {
      session.setMeaning(null);
      session.setStill(null);
    };
  }, [goal, session, model]);
}
