import type { Scheme } from '@core/input';
import type { Move, Trace, TraceEvent } from '@core/trace';
import { clear, createStore, del, delMany, entries, get, set, setMany, type UseStore } from 'idb-keyval';

/** What is known of an attempt that this browser keeps until the server has it. */
export interface KeptAttempt {
  readonly id: string;
  readonly title: string;
  /** All of the trace that does not grow. */
  readonly base: Pick<Trace, 'version' | 'exercise' | 'model' | 'scheme' | 'start' | 'seed'>;
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
const chunkKey = (person: string, id: string, number: number): string => `${person}/piece/${id}/${String(number).padStart(6, '0')}`;

let store: UseStore | null = null;
const opened = (): UseStore => {
  store ??= createStore('dial-home', 'attempts');
  return store;
};

/** Whether this browser can keep anything: a private window may not. */
export async function canKeep(): Promise<boolean> {
  try {
    await get('nothing', opened());
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

/** What is kept for a person, the oldest first. */
export async function keptAttempts(person: string): Promise<KeptAttempt[]> {
  const prefix = headKey(person, '');
  const all = await entries<string, KeptAttempt>(opened()).catch(() => []);
  return all
    .filter(([key]) => key.startsWith(prefix))
    .map(([, head]) => head)
    .sort((a, b) => a.savedAt - b.savedAt);
}

/** All that was recorded of an attempt, in order. */
export async function keptRecord(person: string, id: string): Promise<{ moves: Move[]; events: TraceEvent[]; pieces: number }> {
  const prefix = chunkKey(person, id, 0).slice(0, -6);
  const all = (await entries<string, Chunk>(opened())).filter(([key]) => key.startsWith(prefix)).sort(([a], [b]) => (a < b ? -1 : 1));
  return { moves: all.flatMap(([, chunk]) => chunk.moves), events: all.flatMap(([, chunk]) => chunk.events), pieces: all.length };
}

/** The whole attempt as it is handed in; one that was not ended ends with what was recorded last. */
export async function keptTrace(person: string, head: KeptAttempt): Promise<Trace> {
  const { moves, events } = await keptRecord(person, head.id);
  const end = head.end ?? Math.max(moves.at(-1)?.t ?? 0, events.at(-1)?.t ?? 0);
  const begun: TraceEvent[] = events.some((e) => e.kind === 'begin') ? [] : [{ kind: 'begin', t: 0 }];
  const ended: TraceEvent[] = events.some((e) => e.kind === 'handIn') ? [] : [{ kind: 'handIn', t: end }];
  return { ...head.base, moves, events: [...begun, ...events, ...ended], end };
}

export async function dropKept(person: string, id: string): Promise<void> {
  const prefix = chunkKey(person, id, 0).slice(0, -6);
  const all = await entries<string, unknown>(opened());
  await delMany(
    all.map(([key]) => key).filter((key) => key.startsWith(prefix)),
    opened(),
  );
  await del(headKey(person, id), opened());
}

/** Forgets everything that this browser keeps, whoever's it is: models too. */
export async function forgetAll(): Promise<void> {
  await clear(opened()).catch(() => {});
  if (globalThis.caches) for (const name of await caches.keys()) if (name.startsWith('dial-home')) await caches.delete(name);
}
