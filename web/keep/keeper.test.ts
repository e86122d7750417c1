import type { Move, TraceEvent } from '@core/trace';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { KeptAttempt } from './keptAttempts';

/** What is written down, and whether there is room for it. */
const pieces: { moves: readonly Move[]; events: readonly TraceEvent[] }[] = [];
let head: KeptAttempt | null = null;
let full = false;
const write = async (of: KeptAttempt): Promise<void> => {
  if (full) throw new Error('no room');
  head = of;
};
vi.mock('./keptAttempts', () => ({
  keepHead: (_: string, of: KeptAttempt) => write(of),
  keepChunk: async (_: string, of: KeptAttempt, number: number, piece: (typeof pieces)[number]) => {
    await write(of);
    pieces[number] = piece;
  },
  dropKept: async () => {
    head = null;
    pieces.length = 0;
  },
}));
const { createKeeper } = await import('./keeper');

const move = (t: number): Move => ({ t, command: { kind: 'home' }, gesture: { id: t, device: 'keyboard', binding: 'Home' } });
const session = { moves: [] as Move[], events: [] as TraceEvent[] };
const attempt = { id: 'a', title: 'A', base: {} as never, scheme: {} as never };
const started = (from?: { pieces: number; moves: number; events: number }) => createKeeper('me', attempt, session, from);

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('document', { addEventListener: () => {}, removeEventListener: () => {}, visibilityState: 'visible' });
  session.moves = [];
  session.events = [];
  pieces.length = 0;
  head = null;
  full = false;
});
afterEach(() => {
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

it('writes down what is new, once, and nothing of an attempt in which nothing was done', async () => {
  const keeper = started();
  await vi.advanceTimersByTimeAsync(5000);
  expect(head).toBeNull();
  session.events.push({ kind: 'begin', t: 0 });
  session.moves.push(move(1), move(2));
  await vi.advanceTimersByTimeAsync(1000);
  session.moves.push(move(3));
  await vi.advanceTimersByTimeAsync(5000);
  expect(pieces.map((piece) => piece.moves.map((m) => m.t))).toEqual([[1, 2], [3]]);
  expect(head).toMatchObject({ id: 'a', end: null });
  keeper.stop();
});

it('goes on behind the pieces that are there already', async () => {
  session.moves = [move(1), move(2), move(3)];
  session.events = [{ kind: 'begin', t: 0 }];
  const keeper = started({ pieces: 4, moves: 2, events: 1 });
  await keeper.flush();
  expect(pieces[4]?.moves.map((m) => m.t)).toEqual([3]);
  expect(pieces[4]?.events).toEqual([]);
  keeper.stop();
});

it('says whether a finished attempt could be written down, and loses nothing where it could not', async () => {
  const keeper = started();
  session.moves.push(move(1));
  full = true;
  expect(await keeper.finish(9)).toBe(false);
  expect(head).toBeNull();
  full = false;
  session.moves.push(move(2));
  expect(await keeper.finish(10)).toBe(true);
  expect(pieces.map((piece) => piece.moves.map((m) => m.t))).toEqual([[1, 2]]);
  expect(head).toMatchObject({ end: 10 });
  // What waits to be sent is dropped by no new attempt.
  await keeper.drop();
  expect(head).not.toBeNull();
});
