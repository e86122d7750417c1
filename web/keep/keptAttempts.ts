import type { Scheme } from '@core/input';
import { type Move, TRACE_FORMAT, type Trace, type TraceEvent } from '@core/trace';
import { clear, createStore, delMany, get, getMany, keys, set, setMany, type UseStore } from 'idb-keyval';

/** What is known of an attempt that this browser keeps until the server has it. */
export interface KeptAttempt {
  readonly id: string;
  readonly title: string;
  /** All of the trace that does not grow. */
  readonly base: Pick<Trace, 'format' | 'exercise' | 'model' | 'scheme' | 'start' | 'seed'>;
  /** The scheme as it was when the attempt began: it may have been changed since. */
  readonly scheme: Scheme;
  /** When it ended, seconds from its opening; null while it goes on. */
  readonly end: number | null;
  /** Milliseconds since 1970 at which it was kept last. */
  readonly savedAt: number;
  /** Why the server did not take it; it is then not sent again by itself. */
  readonly refused?: string;
}

interface Chunk {
  readonly moves: readonly Move[];
  readonly events: readonly TraceEvent[];
}

/** An attempt lies in pieces under the person's own id, so that keeping it costs as much as was added, and nobody else's page finds it. */
const headKey = (person: string, id: string): string => `${person}/head/${id}`;
const piecesOf = (person: string, id: string): string => `${person}/piece/${id}/`;
const chunkKey = (person: string, id: string, number: number): string => piecesOf(person, id) + String(number).padStart(6, '0');

let store: UseStore | null = null;
/** Everything that this browser keeps for people; signing out empties it. */
export const opened = (): UseStore => {
  store ??= createStore('dial-home', 'attempts');
  return store;
};

/** A browser that has not answered after this time keeps nothing, ms. */
const PATIENCE = 4000;

/** What a browser keeps; refused when it does not answer, as browsers at times do: practice does not wait for it. */
export const inTime = <T>(kept: Promise<T>): Promise<T> =>
  Promise.race([kept, new Promise<never>((_, refuse) => setTimeout(() => refuse(new Error('This browser keeps nothing now.')), PATIENCE))]);

/** Whether this browser can keep anything: a private window may not. */
export async function canKeep(): Promise<boolean> {
  try {
    await inTime(get('nothing', opened()));
    return true;
  } catch {
    return false;
  }
}

export const keepHead = (person: string, head: KeptAttempt): Promise<void> => set(headKey(person, head.id), head, opened());

/** Keeps the next piece, and with it what is known of the whole, in one transaction. */
export const keepChunk = (person: string, head: KeptAttempt, number: number, chunk: Chunk): Promise<void> =>
  setMany(
    [
      [chunkKey(person, head.id, number), chunk],
      [headKey(person, head.id), head],
    ],
    opened(),
  );

export const keptAttempt = async (person: string, id: string): Promise<KeptAttempt | null> => (await get<KeptAttempt>(headKey(person, id), opened())) ?? null;

/** Keys that begin so, in order; what lies under them is not read. */
const keysUnder = async (prefix: string): Promise<string[]> => (await keys<string>(opened())).filter((key) => key.startsWith(prefix)).sort();

/** What lies under these keys; what another tab has just taken away is left out. */
const valuesOf = async <T>(wanted: string[]): Promise<T[]> => (await getMany<T>(wanted, opened())).filter((value) => value !== undefined);

/** What is kept for a person, the oldest first. */
export async function keptAttempts(person: string): Promise<KeptAttempt[]> {
  const under = await keysUnder(headKey(person, '')).catch(() => []);
  return (await valuesOf<KeptAttempt>(under)).sort((a, b) => a.savedAt - b.savedAt);
}

/** All that was recorded of an attempt, in order. */
export async function keptRecord(person: string, id: string): Promise<{ moves: Move[]; events: TraceEvent[]; pieces: number }> {
  const pieces = await valuesOf<Chunk>(await keysUnder(piecesOf(person, id)));
  return { moves: pieces.flatMap((piece) => piece.moves), events: pieces.flatMap((piece) => piece.events), pieces: pieces.length };
}

/** A record as it is handed in: with its beginning and its end, seconds from opening. */
export function endedTrace(base: KeptAttempt['base'], { moves, events }: Chunk, end: number): Trace {
  const begun: TraceEvent[] = events.some((e) => e.kind === 'begin') ? [] : [{ kind: 'begin', t: 0 }];
  // A record that was begun by an earlier page has an earlier form.
  return { ...base, format: TRACE_FORMAT, moves: [...moves], events: [...begun, ...events, { kind: 'handIn', t: end }], end };
}

/** The whole attempt as it is handed in; one that was not ended ends with what was recorded last. */
export async function keptTrace(person: string, head: KeptAttempt): Promise<Trace> {
  const record = await keptRecord(person, head.id);
  return endedTrace(head.base, record, head.end ?? Math.max(record.moves.at(-1)?.t ?? 0, record.events.at(-1)?.t ?? 0));
}

export async function dropKept(person: string, id: string): Promise<void> {
  await delMany([...(await keysUnder(piecesOf(person, id))), headKey(person, id)], opened());
}

/** Forgets everything that this browser keeps, whoever's it is: models too. */
export async function forgetAll(): Promise<void> {
  await clear(opened()).catch(() => {});
  if (globalThis.caches) for (const name of await caches.keys()) if (name.startsWith('dial-home')) await caches.delete(name);
}
