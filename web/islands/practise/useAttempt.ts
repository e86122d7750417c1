import type { TraineeExercise } from '@core/exercise';
import { taskOf } from '@core/goals';
import type { Scheme } from '@core/input';
import { contextFor } from '@core/model';
import { TRACE_FORMAT, type Trace } from '@core/trace';
import type { View } from '@core/view';
import { hold } from '@web/keep/holding';
import { createKeeper, type Keeper } from '@web/keep/keeper';
import { canKeep, dropKept, endedTrace, inTime, type KeptAttempt, keptAttempts, keptRecord } from '@web/keep/keptAttempts';
import { type Sent, sendKept } from '@web/keep/sending';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { createRecorder, type Recorded, type Recorder } from '@web/stage/recorder';
import { call, wordsOf } from '@web/ui/api';
import { useLatest } from '@web/ui/useLatest';
import { useCallback, useEffect, useRef, useState } from 'react';

export type Practised = TraineeExercise & { readonly id: string; readonly version: number };

export interface Opened {
  readonly id: string;
  readonly seed: number;
}

/** How an attempt is opened: on the server where it counts, or only here for an author's own try. */
export type Opener = (scheme: Scheme) => Promise<Opened>;

export const openOnServer =
  (exercise: Practised): Opener =>
  (scheme) =>
    call('openAttempt', { body: { exerciseId: exercise.id, version: exercise.version, schemeId: scheme.id } });

interface Running {
  readonly session: Recorder;
  readonly opened: Opened;
  readonly base: KeptAttempt['base'];
  /** Left out where nothing is kept: an author's own try, or a browser that keeps nothing. */
  readonly keeper: Keeper | null;
  readonly letGo: (() => void) | null;
}

export interface AttemptState {
  readonly prepared: Prepared | null;
  readonly session: Recorder | null;
  readonly opened: Opened | null;
  readonly error: string | null;
  /** An attempt that was broken off here, and may be gone on with. */
  readonly offered: KeptAttempt | null;
  readonly goOn: () => void;
  /** Begins from the start view, as a new attempt; what was done before is dropped. */
  readonly begin: (scheme: Scheme) => void;
  /** The attempt as it would be handed in now. */
  readonly trace: () => Trace | null;
  /** Ends the attempt and sends it; what cannot be sent now is kept and waits. */
  readonly handIn: () => Promise<Sent>;
}

export interface AttemptOptions {
  readonly exercise: Practised;
  readonly meshHash: string;
  readonly home: View;
  readonly scheme: Scheme;
  readonly open: Opener;
  readonly loaded?: Prepared | null;
  /** Whose attempt is kept in the browser as it grows; null: nothing is kept. */
  readonly person: string | null;
  /** Told of the scheme that an attempt is gone on with. */
  readonly onScheme: (scheme: Scheme) => void;
  /** Told of each attempt that begins or is gone on with. */
  readonly onOpened: (session: Recorder) => void;
}

/** Whether something was done: moved, or answered. */
export const isBegun = ({ moves, events }: Pick<Recorded, 'moves' | 'events'>): boolean => moves.length > 0 || events.some(({ kind }) => kind === 'shown');

/** An attempt of this exercise that was broken off with something done, the newest. */
async function brokenOff(person: string, exercise: Practised): Promise<KeptAttempt | null> {
  const found = (await keptAttempts(person)).filter(
    ({ base, end }) => end === null && base.exercise.id === exercise.id && base.exercise.version === exercise.version,
  );
  for (const head of found.reverse()) if (isBegun(await keptRecord(person, head.id))) return head;
  return null;
}

/** One attempt: the model is loaded, the attempt opened or gone on with, a session recorded and kept. */
export function useAttempt({ exercise, meshHash, home, scheme, open, loaded = null, person, onScheme, onOpened }: AttemptOptions): AttemptState {
  const [prepared, setPrepared] = useState<Prepared | null>(loaded);
  const [running, setRunning] = useState<Running | null>(null);
  const [offered, setOffered] = useState<KeptAttempt | null>(null);
  const [error, setError] = useState<string | null>(null);
  const current = useRef<Running | null>(null);
  const turn = useRef(0);

  useEffect(() => {
    if (loaded) return;
    openModel(meshHash).then(setPrepared, (problem) => setError(wordsOf(problem)));
  }, [meshHash, loaded]);

  const end = useCallback((): void => {
    current.current?.keeper?.stop();
    current.current?.letGo?.();
    current.current = null;
  }, []);

  /** Puts an attempt to work, from its start or from what was recorded of it. */
  const run = useCallback(
    async (opened: Opened, by: Scheme, letGo: (() => void) | null, from: (Recorded & { readonly pieces: number }) | null): Promise<void> => {
      if (!prepared) return;
      const { allowed, steps } = exercise;
      // Most exercises begin at one start: how others do is loaded where it is needed.
      const start = exercise.variants ? (await import('@core/exercise/variants')).startFor(exercise, opened.seed) : exercise.start;
      const model = { mesh: prepared.mesh, home };
      const starts = steps.some(({ goal }) => taskOf(goal).ownStart)
        ? (await import('@core/goals/ownStarts')).ownStarts(steps, model, start, opened.seed)
        : undefined;
      const session = createRecorder({ start, context: contextFor(model, start), allowed, starts, ...(from ? { recorded: from } : {}) });
      const base: KeptAttempt['base'] = {
        format: TRACE_FORMAT,
        exercise: { id: exercise.id, version: exercise.version },
        model: exercise.model,
        scheme: { id: by.id, revision: by.revision },
        start,
        seed: opened.seed,
      };
      const kept = person !== null && (await canKeep());
      const written = from ? { pieces: from.pieces, moves: from.moves.length, events: from.events.length } : undefined;
      const keeper = kept ? createKeeper(person, { id: opened.id, title: exercise.title, base, scheme: by }, session, written) : null;
      current.current = { session, opened, base, keeper, letGo };
      onOpened(session);
      setRunning(current.current);
    },
    [prepared, exercise, home, person, onOpened],
  );

  const begin = useCallback(
    (by: Scheme): void => {
      const mine = ++turn.current;
      const before = current.current;
      const dropped = offered;
      end();
      setRunning(null);
      setOffered(null);
      setError(null);
      void (async () => {
        try {
          await before?.keeper?.drop();
          if (person !== null && dropped) await dropKept(person, dropped.id);
          const opened = await open(by);
          const letGo = person === null ? null : await hold(`attempt ${opened.id}`);
          if (mine === turn.current) await run(opened, by, letGo, null);
          else letGo?.();
        } catch (problem) {
          if (mine === turn.current) setError(wordsOf(problem));
        }
      })();
    },
    [offered, end, open, person, run],
  );

  const goOn = useCallback((): void => {
    if (!offered || person === null) return;
    const mine = ++turn.current;
    setError(null);
    void (async () => {
      const letGo = await hold(`attempt ${offered.id}`);
      try {
        if (!letGo) throw new Error('This attempt is open in another window: go on there, or close it first.');
        const { elapsed, over } = await call('attemptState', { params: { id: offered.id } });
        if (over) {
          letGo();
          begin(scheme);
          return;
        }
        const { moves, events, pieces } = await keptRecord(person, offered.id);
        if (mine !== turn.current) return;
        setOffered(null);
        onScheme(offered.scheme);
        await run({ id: offered.id, seed: offered.base.seed }, offered.scheme, letGo, { moves, events, pieces, time: elapsed });
      } catch (problem) {
        letGo?.();
        if (mine === turn.current) setError(wordsOf(problem));
      }
    })();
  }, [offered, person, begin, scheme, onScheme, run]);

  const first = useLatest({ begin, scheme });
  // Once the model is there: what was broken off is offered, or a new attempt begins.
  useEffect(() => {
    if (!prepared) return;
    let wanted = true;
    void (async () => {
      const kept = person === null ? null : await inTime(brokenOff(person, exercise)).catch(() => null);
      if (!wanted) return;
      if (kept) setOffered(kept);
      else first.current.begin(first.current.scheme);
    })();
    return () => {
      wanted = false;
      turn.current++;
      end();
    };
  }, [prepared, exercise, person, end, first]);

  // Time while the page is out of sight is not counted.
  useEffect(() => {
    const session = running?.session;
    if (!session) return;
    const change = (): void => {
      if (session.events.some((e) => e.kind === 'begin')) session.event({ kind: document.hidden ? 'pause' : 'resume' });
    };
    document.addEventListener('visibilitychange', change);
    return () => document.removeEventListener('visibilitychange', change);
  }, [running]);

  // Where nothing can be kept, leaving asks once something was done.
  useEffect(() => {
    if (!running || running.keeper || person === null) return;
    const asks = (event: BeforeUnloadEvent): void => {
      if (isBegun(running.session)) event.preventDefault();
    };
    window.addEventListener('beforeunload', asks);
    return () => window.removeEventListener('beforeunload', asks);
  }, [running, person]);

  const trace = useCallback((): Trace | null => running && endedTrace(running.base, running.session, running.session.time()), [running]);

  const handIn = useCallback(async (): Promise<Sent> => {
    if (!running) return { kind: 'waits', words: '' };
    const { keeper, opened, session } = running;
    if (keeper && person !== null && (await keeper.finish(session.time()))) return sendKept(person, opened.id);
    // Nothing is kept here, or this browser has no room for it: it is sent as it is, or stays on the page.
    await call('handIn', { params: { id: opened.id }, body: trace() });
    await keeper?.drop();
    return { kind: 'sent' };
  }, [running, person, trace]);

  return { prepared, session: running?.session ?? null, opened: running?.opened ?? null, error, offered, goOn, begin, trace, handIn };
}
