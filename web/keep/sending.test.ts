import { beforeEach, expect, it, vi } from 'vitest';
import type { KeptAttempt } from './keptAttempts';

/** What is kept in these tests, and what the server answers. */
const kept = new Map<string, KeptAttempt>();
let answer: () => Promise<unknown> = async () => ({});
const sent: string[] = [];

vi.mock('./holding', () => ({ hold: async () => () => {} }));
vi.mock('./keptAttempts', () => ({
  keptAttempt: async (_: string, id: string) => kept.get(id) ?? null,
  keptAttempts: async () => [...kept.values()],
  keptTrace: async () => ({}),
  keepHead: async (_: string, head: KeptAttempt) => void kept.set(head.id, head),
  dropKept: async (_: string, id: string) => void kept.delete(id),
}));
vi.mock('@web/ui/api', async (original) => ({
  ...(await original<typeof import('@web/ui/api')>()),
  call: (name: string, { params }: { params: { id: string } }) => {
    sent.push(`${name} ${params.id}`);
    return answer();
  },
}));

const { Refused } = await import('@web/ui/api');
const { sendAll, sendKept } = await import('./sending');
const attempt = (id: string, end: number | null = 5): KeptAttempt => ({ id, title: id, end, savedAt: 1, base: {} as never, scheme: {} as never });
const refusing = (status: number) => () => Promise.reject(new Refused('in words', status, 'code'));

beforeEach(() => {
  kept.clear();
  sent.length = 0;
  for (const id of ['a', 'b']) kept.set(id, attempt(id));
  answer = async () => ({});
});

it('forgets what the server has taken, and leaves alone what still goes on', async () => {
  kept.set('c', attempt('c', null));
  expect((await sendAll('me')).map((head) => head.id)).toEqual(['a', 'b']);
  expect([...kept.keys()]).toEqual(['c']);
  expect(sent).toEqual(['handIn a', 'handIn b']);
});

it.each([0, 401, 403, 429, 500, 503, 507])('keeps it for later where the answer is %d, and does not try the others now', async (status) => {
  answer = refusing(status);
  expect(await sendAll('me')).toEqual([]);
  expect(sent).toHaveLength(1);
  expect([...kept.values()].map((head) => head.refused)).toEqual([undefined, undefined]);
});

it('writes down why it was not taken, does not send it again by itself, and goes on with the others', async () => {
  answer = refusing(422);
  expect(await sendKept('me', 'a')).toEqual({ kind: 'refused', words: 'in words' });
  expect(kept.get('a')?.refused).toBe('in words');
  answer = async () => ({});
  expect((await sendAll('me')).map((head) => head.id)).toEqual(['b']);
  expect([...kept.keys()]).toEqual(['a']);
});

it('stays for its own person when the server does not know it under who is signed in now', async () => {
  answer = refusing(404);
  expect(await sendKept('me', 'a')).toMatchObject({ kind: 'refused' });
  expect(kept.get('a')?.refused).toBeUndefined();
  answer = async () => ({});
  expect((await sendAll('me')).map((head) => head.id)).toEqual(['a', 'b']);
});
