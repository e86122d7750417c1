import type { Call, GoalOf } from '@core/exercise';
import { AT_STANDARD, callError, callOrder } from '@core/scoring';
import { createReplay } from '@core/trace';
import type { View } from '@core/view';
import type { Session } from '@web/stage/session';
import { useCallback, useEffect, useRef, useState } from 'react';

/** Standing still on the called view for this long answers by itself, ms. */
const STILL = 1200;
/** A confirmation this soon after an answer still meant the call before, ms. */
const MEANT_BEFORE = 800;

export interface Calls {
  readonly call: Call | null;
  readonly number: number;
  readonly count: number;
  readonly confirm: () => void;
}

export const callWords = (call: Call): string =>
  call.kind === 'standard' ? `the ${call.name.replaceAll('-', ' ')}` : call.kind === 'opposite' ? 'the opposite of this' : call.name;

/** The view at a moment of a session; without one the present view. */
function viewOf(session: Session, t: number | undefined): View {
  const { scene } = session.getState();
  if (t === undefined) return scene.view;
  const run = createReplay(session.context.start ?? scene, session.context);
  for (const move of session.moves) if (move.t <= t) run.perform(move.command, move.gesture?.id);
  return run.scene().view;
}

/** The calls of a step, one after the other; each is answered by confirming or by standing still on it. */
export function useCalls(goal: GoalOf<'callView'> | null, session: Session | null, seed: number, step: number): Calls {
  const [place, setPlace] = useState(0);
  const from = useRef(session?.getState().scene.view);
  const answered = useRef(Number.NEGATIVE_INFINITY);
  const order = goal ? callOrder(goal, seed) : [];
  const call = goal && place < order.length ? (goal.calls[order[place] ?? 0] ?? null) : null;

  useEffect(() => {
    // In an attempt that is gone on with, calls of this step may have been answered already.
    const answers = (session?.events ?? []).filter((e) => e.kind === 'answer' && e.step === step);
    setPlace(answers.length);
    from.current = session ? viewOf(session, answers.at(-1)?.t) : undefined;
  }, [session, goal, step]);

  const answer = useCallback(() => {
    if (!session || !call) return;
    session.event({ kind: 'answer', step, call: place });
    from.current = session.getState().scene.view;
    answered.current = performance.now();
    setPlace(place + 1);
  }, [session, call, place, step]);

  const confirm = useCallback(() => {
    if (performance.now() - answered.current > MEANT_BEFORE) answer();
  }, [answer]);

  useEffect(() => {
    if (!session || !call) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = (): void => {
      clearTimeout(timer);
      const { view } = session.getState().scene;
      if (view !== from.current && from.current && callError(call, view, from.current) <= AT_STANDARD) timer = setTimeout(answer, STILL);
    };
    const unsubscribe = session.subscribe(look);
    return () => {
      clearTimeout(timer);
      unsubscribe();
    };
  }, [session, call, answer]);

  return { call, number: place + 1, count: order.length, confirm };
}
