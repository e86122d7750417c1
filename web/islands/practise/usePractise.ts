import { sentenceOf } from '@core/advice';
import { goalShown, type TraineeStep } from '@core/exercise';
import { looksFirst, type Prompt, watchOf } from '@core/goals';
import type { Scheme, SentScheme } from '@core/input';
import { meanOf } from '@core/scoring';
import type { View } from '@core/view';
import { promptWords } from '@web/goals/promptWords';
import { usePlaced } from '@web/goals/usePlaced';
import type { Prepared } from '@web/stage/prepared';
import type { Recorder } from '@web/stage/recorder';
import type { SceneSource } from '@web/stage/sceneSource';
import { useScored } from '@web/stage/useScored';
import { type Stage, useStage } from '@web/stage/useStage';
import { call, wordsOf } from '@web/ui/api';
import type { ExerciseWords } from '@web/ui/markdown';
import { sayWrong } from '@web/ui/say';
import type { Closeness } from '@web/workers/closeness.worker';
import { useCallback, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { createPractiseStore, type PractiseState, type PractiseStore } from './practiseStore';
import { type AttemptState, isBegun, type Opener, openOnServer, type Practised, useAttempt } from './useAttempt';
import { useCloseness } from './useCloseness';
import { type SchemeInUse, useScheme } from './useScheme';
import { type Slips, useSlips } from './useSlips';
import { useMeaning, useTask } from './useTask';

/** Handing in under this many live points asks once. */
const FAR = 60;

/** An author's own try: nothing is kept. */
export interface TryOut {
  readonly open: Opener;
  readonly loaded: Prepared | null;
  readonly onHandIn: (trace: unknown) => Promise<void>;
  readonly onLeave: () => void;
}

export interface PractiseOptions {
  readonly person: string | null;
  readonly exercise: Practised;
  readonly meshHash: string;
  readonly home: View;
  readonly schemes: readonly SentScheme[];
  readonly words: ExerciseWords;
  readonly tryOut?: TryOut | undefined;
}

export interface Practise {
  readonly store: PractiseStore;
  readonly state: PractiseState;
  readonly using: SchemeInUse;
  readonly attempt: AttemptState;
  readonly stage: Stage;
  readonly present: TraineeStep | undefined;
  readonly last: boolean;
  readonly task: ReturnType<typeof useTask>;
  readonly closeness: Closeness | null;
  readonly slips: Slips;
  /** Hints of the present step that were taken, and the last as HTML. */
  readonly taken: number;
  readonly hint: string | null;
  /** What the stage shows instead of the hand's own, while something is played; null: nothing. */
  readonly setPlayed: (source: SceneSource | null) => void;
  /** Whether one looks round before the step begins, and what ends that. */
  readonly looking: boolean;
  readonly endLook: () => void;
  /** Why it is asked whether the step is done. */
  readonly far: string;
  /** Ends the step; `sure`: also when much is missing. */
  readonly done: (sure: boolean) => void;
  readonly takeHint: () => Promise<void>;
  /** Asks for another scheme; in mid attempt it is asked whether to start again. */
  readonly askScheme: (id: string) => void;
  readonly changeScheme: (scheme: Scheme) => void;
  readonly startAgain: () => void;
  readonly showCard: () => void;
}

/** Live points, 0 … 100; all of them where one view tells nothing. */
const livePoints = (closeness: Closeness | null): number => 100 * (meanOf(closeness?.results ?? []) ?? 1);

/** Why a step is not done yet, though it may look so. */
function untriedWords(prompt: Prompt | null): string {
  if (!prompt) return 'Nothing was done in this step yet.';
  if (prompt.code === 'measure') return 'Not everything was measured yet; what is missing counts as not measured.';
  if (prompt.code === 'find') return 'Not everything was found yet; what is missing counts as not found.';
  if (prompt.code === 'way') return 'Not every question was answered yet; what is missing counts as wrong.';
  return prompt.code === 'line'
    ? `The line was not followed to its end. ${promptWords(prompt, '')}`
    : 'Not every call was answered yet; what is missing counts as missed.';
}

/** Hints of a step: the last is to watch how it is done, where the author shows that. */
export const hintsOf = (step: TraineeStep): number => step.hints.length + (watchOf(step) ? 1 : 0);

/** One exercise as it is practised: the attempt, its stage, its task, and what a person does beside them. */
export function usePractise({ person, exercise, words, meshHash, home, schemes, tryOut }: PractiseOptions): Practise {
  const [store] = useState(createPractiseStore);
  const state = useStore(store);
  const using = useScheme(schemes);
  const { chosen, scheme, labelled } = using;
  const open = useMemo(() => tryOut?.open ?? openOnServer(exercise), [tryOut, exercise]);
  const attempt = useAttempt({
    exercise,
    meshHash,
    home,
    scheme: chosen,
    open,
    loaded: tryOut?.loaded ?? null,
    person: tryOut ? null : person,
    onScheme: using.take,
    onOpened: store.opened,
  });
  const { session, prepared, opened } = attempt;
  const { step, hints, hintHtml: asked } = state;
  const present = exercise.steps[step];
  const last = step === exercise.steps.length - 1;
  const slips = useSlips(using.schemes, scheme, using.labels);
  // While one looks round nothing is asked and nothing judged.
  const looking = present !== undefined && session !== null && looksFirst(present) && !state.looked;
  const task = useTask(looking ? null : (present?.goal ?? null), session, opened?.seed ?? 0, step);
  const model = useScored(prepared, home);
  useMeaning(present?.goal ?? null, session, model);
  const whole = useMemo(() => {
    const goal = goalShown(exercise, present);
    return goal && present ? { ...present, goal } : null;
  }, [exercise, present]);
  const closeness = useCloseness(prepared, home, looking ? null : session, whole, exercise.liveHelp);
  const [played, setPlayed] = useState<SceneSource | null>(null);
  const stage = useStage(prepared, session, scheme, {
    source: played,
    onGesture: (gesture) => session && slips.onGesture(gesture, { session, step, prompt: task.prompt, closeness }),
  });

  usePlaced(stage.handle, present?.goal);

  const showCard = useCallback(() => {
    window.location.href = `/attempts/${opened?.id}`;
  }, [opened]);
  const handIn = async (): Promise<void> => {
    if (!session || !opened) return;
    store.setState({ busy: true });
    try {
      if (tryOut) await tryOut.onHandIn(attempt.trace());
      else {
        const result = await attempt.handIn();
        if (result.kind === 'sent') {
          showCard();
          return;
        }
        if (result.kind === 'waits') store.setState({ waiting: result.words });
        else sayWrong(result.words);
      }
    } catch (error) {
      sayWrong(wordsOf(error));
    }
    store.setState({ busy: false });
  };
  const taken = hints.filter((n) => n === step).length;
  const startAgain = (): void => attempt.begin(chosen);
  const changeScheme = (found: Scheme): void => {
    using.choose(found);
    // What was broken off is still offered: the choice is for when one starts again.
    if (!attempt.offered) attempt.begin(found);
  };

  return {
    store,
    state,
    using,
    attempt,
    stage,
    present,
    last,
    task,
    closeness,
    slips,
    taken,
    hint: taken > 0 ? words.steps[step]?.hints[taken - 1] || (asked[`${step} ${taken - 1}`] ?? null) : null,
    setPlayed,
    looking,
    endLook() {
      session?.event({ kind: 'looked', step });
      store.setState({ looked: true });
    },
    far: !task.done ? untriedWords(task.prompt) : closeness?.first ? sentenceOf(closeness.first, labelled) : 'It is still far from what is asked.',
    done(sure) {
      if (!session || !present) return;
      if (!sure && (livePoints(closeness) < FAR || !task.done)) store.setState({ sheet: 'far' });
      else if (last) void handIn();
      else stepDone(session, step, store);
    },
    async takeHint() {
      if (!session || !present || taken >= hintsOf(present)) return;
      // The last is to watch how it is done.
      if (taken === present.hints.length) store.setState({ watch: 'playing' });
      let html: string | null = null;
      if (present.hints[taken] === '' && opened) {
        try {
          html = (await call('giveHint', { params: { id: opened.id }, body: { step, number: taken } })).html;
        } catch (error) {
          sayWrong(wordsOf(error));
          return;
        }
      }
      session.event({ kind: 'hint', step, number: taken });
      store.hintTaken(step, taken, html);
    },
    askScheme(id) {
      const found = using.schemes.find((s) => s.id === id);
      if (!found || found === chosen) return;
      if (session && isBegun(session)) store.setState({ wanted: found });
      else changeScheme(found);
    },
    changeScheme,
    startAgain,
    showCard,
  };
}

function stepDone(session: Recorder, step: number, store: PractiseStore): void {
  if (!session.events.some((e) => e.kind === 'begin')) session.event({ kind: 'begin' });
  session.event({ kind: 'stepDone', step });
  store.nextStep();
}
