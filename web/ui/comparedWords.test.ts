import type { ComparedPair } from '@server/services/comparing';
import { expect, it } from 'vitest';
import { meetingWords, ratioWords } from './comparedWords';

const pair = (ratio: ComparedPair['ratio'], meetIn: number | null = null): ComparedPair => ({
  mine: { id: 'p', name: 'Puck' },
  other: { id: 'm', name: 'Mouse' },
  exercises: [],
  ratio,
  meetIn,
  toDo: [],
});

it.each([
  [{ likely: 0.8, low: 0.7, high: 0.9 }, 'Puck is 20 % slower than Mouse today (between 30 % slower and 10 % slower).'],
  [{ likely: 1.25, low: 1.1, high: 1.4 }, 'Puck is 25 % quicker than Mouse today (between 10 % quicker and 40 % quicker).'],
  [{ likely: 0.97, low: 0.9, high: 1.05 }, 'Puck is about as quick as Mouse today (between 10 % slower and 5 % quicker).'],
  [{ likely: 3.18, low: 1.9, high: 4.93 }, 'Puck is 3.2 times as quick as Mouse today (between 90 % quicker and 4.9 times as quick).'],
  [{ likely: 1, low: 1, high: 1 }, 'Puck is about as quick as Mouse today (between as quick and as quick).'],
])('a ratio of %j is told in words', (ratio, words) => {
  expect(ratioWords(pair(ratio))).toBe(words);
});

it('says when the slower one catches up, where the difference is sure and the curves tell it', () => {
  const slower = { likely: 0.8, low: 0.7, high: 0.9 };
  expect(meetingWords(pair(slower, 6))).toBe('Practised on with Puck, the curves meet in about 6 attempts at each exercise.');
  expect(meetingWords(pair(slower, 1))).toMatch(/about 1 attempt at/);
  expect(meetingWords(pair(slower, 0))).toMatch(/meet about now/);
  expect(meetingWords(pair({ likely: 1.2, low: 1.1, high: 1.3 }, Number.POSITIVE_INFINITY))).toBe('As it goes now, Mouse stays the slower one.');
  expect(meetingWords(pair(slower, null))).toBeNull();
  expect(meetingWords(pair({ likely: 0.97, low: 0.9, high: 1.05 }, 6))).toBeNull();
  expect(ratioWords(pair(null))).toBeNull();
});
