import type { Exercise } from '@core/exercise';
import type { Scheme } from '@core/input';
import { contextFor } from '@core/scoring';
import type { Trace } from '@core/trace';
import type { View } from '@core/view';
import { openModel } from '@web/stage/openModel';
import type { Prepared } from '@web/stage/prepared';
import { createSession, type Session } from '@web/stage/session';
import { send, wordsOf } from '@web/ui/api';
import { useCallback, useEffect, useRef, useState } from 'react';

export type Practised = Exercise & { readonly id: string; readonly version: number };

export interface Opened {
  readonly id: string;
  readonly seed: number;
}

export interface AttemptState {
  readonly prepared: Prepared | null;
  readonly session: Session | null;
  readonly opened: Opened | null;
  readonly error: string | null;
  /** Begins again from the start view, as a new attempt. */
  readonly restart: () => void;
  /** The attempt as it would be handed in now. */
  readonly trace: () => Trace | null;
}

/** How an attempt is opened: on the server where it counts, or only here for an author's own try. */
export type Opener = (scheme: Scheme) => Promise<Opened>;

export const openOnServer =
  (exercise: Practised): Opener =>
  (scheme) =>
    send<Opened>('/api/attempts', { exerciseId: exercise.id, version: exercise.version, schemeId: scheme.id });

/** One attempt: the model is loaded, the attempt opened, a session recorded; a change of scheme starts again. */
export function useAttempt(exercise: Practised, meshHash: string, home: View, scheme: Scheme, open: Opener, loaded: Prepared | null = null): AttemptState {
  const [prepared, setPrepared] = useState<Prepared | null>(loaded);
  const [current, setCurrent] = useState<{ session: Session; opened: Opened; scheme: Scheme } | null>(null);
  const [error, setError] = useState<string | null>(null);
  const [round, setRound] = useState(0);
  const opener = useRef(open);
  opener.current = open;

  useEffect(() => {
    if (loaded) return;
    openModel(meshHash).then(setPrepared, (problem) => setError(wordsOf(problem)));
  }, [meshHash, loaded]);

  useEffect(() => {
    if (!prepared) return;
    let wanted = true;
    setCurrent(null);
    setError(null);
    opener.current(scheme).then(
      (opened) => {
        if (!wanted) return;
        const session = createSession({ start: exercise.start, context: contextFor({ mesh: prepared.mesh, home }, exercise.start), allowed: exercise.allowed });
        setCurrent({ session, opened, scheme });
      },
      (problem) => wanted && setError(wordsOf(problem)),
    );
    return () => {
      wanted = false;
    };
  }, [prepared, scheme, exercise, home, round]);

  // Time while the page is out of sight is not counted.
  useEffect(() => {
    const session = current?.session;
    if (!session) return;
    const change = (): void => {
      if (session.events.some((e) => e.kind === 'begin')) session.event({ kind: document.hidden ? 'pause' : 'resume' });
    };
    document.addEventListener('visibilitychange', change);
    return () => document.removeEventListener('visibilitychange', change);
  }, [current]);

  const trace = useCallback((): Trace | null => {
    if (!current) return null;
    const { session, opened } = current;
    return {
      version: 1,
      exercise: { id: exercise.id, version: exercise.version },
      model: exercise.model,
      scheme: { id: current.scheme.id, revision: current.scheme.revision },
      start: exercise.start,
      seed: opened.seed,
      moves: [...session.moves],
      events: [
        ...(session.events.some((e) => e.kind === 'begin') ? [] : [{ kind: 'begin' as const, t: 0 }]),
        ...session.events,
        { kind: 'handIn', t: session.time() },
      ],
      end: session.time(),
    };
  }, [current, exercise]);

  return { prepared, session: current?.session ?? null, opened: current?.opened ?? null, error, restart: useCallback(() => setRound((n) => n + 1), []), trace };
}
