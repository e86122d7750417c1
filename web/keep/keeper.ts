import type { Recorder } from '@web/stage/recorder';
import { dropKept, type KeptAttempt, keepChunk, keepHead } from './keptAttempts';

/** What was done is written down at most this often, ms. */
const EVERY = 700;

/** Writes a running attempt down as it grows. */
export interface Keeper {
  /** Writes down what is new, now. */
  flush(): Promise<void>;
  /** Ends the attempt: from here on it only waits to be sent. `end`: seconds from its opening. False when it could not be written down. */
  finish(end: number): Promise<boolean>;
  /** Forgets the attempt, unless it is finished: that one only the server's answer ends. */
  drop(): Promise<void>;
  /** Stops writing; what is kept stays. */
  stop(): void;
}

/** `from`: pieces that are kept already, with the moves and events that are in them. */
export function createKeeper(
  person: string,
  attempt: Omit<KeptAttempt, 'end' | 'savedAt'>,
  session: Pick<Recorder, 'moves' | 'events'>,
  from: { readonly pieces: number; readonly moves: number; readonly events: number } = { pieces: 0, moves: 0, events: 0 },
): Keeper {
  let { pieces, moves, events } = from;
  let end: number | null = null;
  let whole = true;
  let writing: Promise<void> = Promise.resolve();

  const head = (): KeptAttempt => ({ ...attempt, end, savedAt: Date.now() });
  const write = async (): Promise<void> => {
    const chunk = { moves: session.moves.slice(moves), events: session.events.slice(events) };
    if (chunk.moves.length === 0 && chunk.events.length === 0) {
      if (pieces > 0 || end !== null) await keepHead(person, head());
      return;
    }
    await keepChunk(person, head(), pieces, chunk);
    pieces++;
    moves += chunk.moves.length;
    events += chunk.events.length;
  };
  // One after the other: a piece is counted when it is written.
  const flush = (): Promise<void> => {
    // What could not be written is still in the session, and tried again with the next piece.
    writing = writing.then(write).then(
      () => void (whole = true),
      () => void (whole = false),
    );
    return writing;
  };
  const isNew = (): boolean => session.moves.length > moves || session.events.length > events;
  const timer = setInterval(() => isNew() && void flush(), EVERY);
  const leaving = (): void => void (document.visibilityState === 'hidden' && isNew() && flush());
  document.addEventListener('visibilitychange', leaving);
  const stop = (): void => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', leaving);
  };
  return {
    flush,
    async finish(at) {
      end = at;
      await flush();
      if (whole) stop();
      else end = null;
      return whole;
    },
    async drop() {
      stop();
      await writing;
      if (end === null) await dropKept(person, attempt.id);
    },
    stop,
  };
}
