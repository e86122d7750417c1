import type { Exercise } from '@core/exercise';
import { GOALS } from '@core/tests/goals';
import { exerciseOf } from '@core/tests/practice';
import { expect, it } from 'vitest';
import { doAgain, NOTHING_DONE, remember, takeBack } from './undo';

const { id: _id, version: _version, ...draft } = exerciseOf(...GOALS.matchView.slice(0, 2));
const changed = (before: Exercise, change: Partial<Exercise>, words: string, at: number) => ({ before, after: { ...before, ...change }, words, at });

it('takes changes back and does them again, the newest first', () => {
  const one = changed(draft, { title: 'One' }, 'the title', 0);
  const two = changed(one.after, { steps: one.after.steps.slice(0, 1) }, 'a step removed', 5000);
  const undo = remember(remember(NOTHING_DONE, one), two);
  const back = takeBack(undo, two.after);
  expect(back).toMatchObject({ words: 'a step removed', draft: one.after });
  const further = takeBack(back?.undo ?? NOTHING_DONE, back?.draft ?? draft);
  expect(further).toMatchObject({ words: 'the title', draft });
  expect(takeBack(further?.undo ?? NOTHING_DONE, draft)).toBeNull();
  const again = doAgain(further?.undo ?? NOTHING_DONE, draft);
  expect(again).toMatchObject({ words: 'the title', draft: one.after });
  expect(doAgain(remember(again?.undo ?? NOTHING_DONE, two), two.after)).toBeNull();
});

it('leaves alone what was changed since in other places, by oneself or by others', () => {
  const one = changed(draft, { title: 'Mine' }, 'the title', 0);
  const now = { ...one.after, brief: 'Written by someone else meanwhile' };
  expect(takeBack(remember(NOTHING_DONE, one), now)?.draft).toEqual({ ...draft, brief: 'Written by someone else meanwhile' });
});

it('takes a word that was written letter by letter as one change', () => {
  let undo = NOTHING_DONE;
  let at = draft as Exercise;
  for (const [i, title] of ['R', 'Ro', 'Rou', 'Roun', 'Round'].entries()) {
    const change = changed(at, { title }, 'the title', i * 200);
    undo = remember(undo, change);
    at = change.after;
  }
  expect(undo.back).toHaveLength(1);
  expect(takeBack(undo, at)?.draft.title).toBe(draft.title);
  expect(remember(undo, changed(at, { title: 'Round!' }, 'the title', 9000)).back).toHaveLength(2);
});

it('remembers so much and no more', () => {
  let undo = NOTHING_DONE;
  for (let i = 0; i < 100; i++) undo = remember(undo, changed(draft, { title: String(i) }, `change ${i}`, i * 10_000));
  expect(undo.back).toHaveLength(40);
  expect(undo.back.at(-1)?.words).toBe('change 99');
});
