import { foldTask, type Measurement, type Prompt, type RedactedGoal, type TaskInput, taskOf, type Way } from '@core/goals';
import { createReplay, lookedAt, replayMoves } from '@core/trace';
import type { View } from '@core/view';
import type { Recorder } from '@web/stage/recorder';
import { createStore, type StoreApi } from 'zustand/vanilla';

/** What a step asks at this moment, and whether nothing is left to be asked. */
export interface AskedNow {
  readonly prompt: Prompt | null;
  readonly done: boolean;
}

/** A step's task at work on a recorder: it hears of every movement and writes its own events down. */
export interface RunningTask extends StoreApi<AskedNow> {
  /** The learner says that this is it. */
  confirm(): void;
  /** The learner answers from where the present view is seen. */
  answer(way: Way): void;
  /** The learner has measured something that is asked. */
  measured(made: Measurement): void;
  end(): void;
}

/** Where the task stands after what was recorded of the step before. */
function recordedSoFar(goal: RedactedGoal, session: Recorder, seed: number, step: number) {
  const begun = session.events.find((event) => event.kind === 'stepDone' && event.step === step - 1)?.t ?? Number.NEGATIVE_INFINITY;
  const run = createReplay(session.context.start ?? session.getState().scene, session.context);
  const madeBy = (t: number): number => session.moves.filter((move) => move.t <= t).length;
  const came = madeBy(begun);
  // What was moved to look round is no part of it.
  const first = Math.max(came, madeBy(lookedAt(session.events, step) ?? Number.NEGATIVE_INFINITY));
  const moves = session.moves.slice(first);
  const views: View[] = [];
  let before = run.scene();
  replayMoves(run, session, session.starts, (move) => {
    if (move < came) before = run.scene();
    else if (move >= first) views.push(run.scene().view);
  });
  return foldTask(goal, seed, {
    before: session.starts(step) ?? before,
    moves,
    views,
    events: session.events.filter((event) => 'step' in event && event.step === step),
  });
}

export function runTask(goal: RedactedGoal, session: Recorder, seed: number, step: number): RunningTask {
  const task = taskOf(goal);
  const { scene } = session.getState();
  let at = session.events.length > 0 ? recordedSoFar(goal, session, seed, step) : task.next(goal, task.begin(goal, seed), { t: session.time(), scene });
  const store = createStore<AskedNow>(() => ({ prompt: at.prompt, done: at.done }));
  let timer: ReturnType<typeof setTimeout> | undefined;
  const take = (next: typeof at, t: number): void => {
    at = next;
    for (const event of next.events) session.event({ ...event, step }, t);
    if (next.prompt !== store.getState().prompt || next.done !== store.getState().done) store.setState({ prompt: next.prompt, done: next.done });
    clearTimeout(timer);
    if (next.again !== null) timer = setTimeout(tell, Math.max(0, next.again - session.time()) * 1000);
  };
  /** Tells the task what happens now; with nothing, only time has passed. */
  const tell = (what: Pick<TaskInput, 'confirm' | 'answer' | 'measured'> = {}): void => {
    const t = session.time();
    take(task.next(goal, at.state, { t, scene: session.getState().scene, ...what }), t);
  };
  let heard = session.moves.length;
  const unsubscribe = session.subscribe((state) => {
    const last = session.moves.at(-1);
    // A scene that nobody moved to is no command: the next step began.
    if (!last || session.moves.length === heard) return;
    heard = session.moves.length;
    take(task.next(goal, at.state, { t: last.t, scene: state.scene, command: last.command, gesture: last.gesture }), last.t);
  });
  return {
    ...store,
    confirm: () => tell({ confirm: true }),
    answer: (answer) => tell({ answer }),
    measured: (measured) => tell({ measured }),
    end() {
      clearTimeout(timer);
      unsubscribe();
    },
  };
}
