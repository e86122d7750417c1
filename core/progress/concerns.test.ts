import { describe, expect, it } from 'vitest';
import { type AttemptFacts, concernsAbout, isStalled } from './concerns';

const DAY = 86_400_000;
const now = Date.UTC(2031, 4, 20, 12);
const attempt = (n: number, more: Partial<AttemptFacts> = {}): AttemptFacts => ({
  id: `a${n}`,
  exerciseId: 'e',
  title: 'Round to the ladder',
  at: now - (10 - n) * 3_600_000,
  score: 85,
  seconds: 40,
  oldGestures: 0,
  costliest: null,
  ...more,
});
const many = (scores: readonly number[], more: Partial<AttemptFacts> = {}) => scores.map((score, n) => attempt(n, { score, ...more }));
const asked = { now, due: 0, given: true };
const kinds = (attempts: readonly AttemptFacts[], more: Partial<typeof asked> = {}): string[] =>
  concernsAbout(attempts, { ...asked, ...more }).map(({ kind }) => kind);

describe('concerns', () => {
  it('nothing about one who does well, nor about one to whom nothing was given', () => {
    expect(kinds(many([60, 70, 80, 90, 95]))).toEqual([]);
    expect(kinds([], { given: false })).toEqual([]);
    expect(kinds([])).toEqual(['notStarted']);
  });

  it('stalled: four tries brought less than five points, and the exercise is not reached', () => {
    expect(isStalled([50, 52, 51, 54.9, 50])).toBe(true);
    expect(isStalled([50, 52, 51, 55, 50])).toBe(false);
    expect(isStalled([50, 50, 50, 50])).toBe(false);
    expect(isStalled([80, 78, 79, 80, 81])).toBe(false);
    const told = concernsAbout(many([50, 40, 52, 30, 45]), asked);
    expect(told).toEqual([{ kind: 'stalled', words: '4 tries at “Round to the ladder” without getting further, best 52', attemptId: 'a3' }]);
  });

  it('tries at other exercises do not make one stall', () => {
    expect(kinds([50, 40, 52, 30, 45].map((score, n) => attempt(n, { score, exerciseId: `e${n}` })))).toEqual([]);
  });

  it('stopped coming: ten days away while something is due', () => {
    const away = [attempt(0, { at: now - 10 * DAY })];
    expect(concernsAbout(away, { ...asked, due: 2 })).toEqual([
      { kind: 'stoppedComing', words: 'was last here 10 days ago, and 2 exercises are due', attemptId: 'a0' },
    ]);
    expect(kinds(away)).toEqual([]);
    expect(kinds([attempt(0, { at: now - 9.9 * DAY })], { due: 1 })).toEqual([]);
  });

  it('guessing: three of the last five within seconds and with nothing', () => {
    const quick = { seconds: 4, score: 10 };
    expect(kinds([attempt(0, quick), attempt(1), attempt(2, quick), attempt(3), attempt(4, quick)])).toEqual(['guessing']);
    expect(kinds([attempt(0, quick), attempt(1), attempt(2), attempt(3, quick), attempt(4, { ...quick, seconds: 5 })])).toEqual([]);
  });

  it('always the same: one criterion cost most in four of the last five, each time a fifth', () => {
    const costly = { costliest: { criterion: 'direction', share: 0.2 } } as const;
    const little = { costliest: { criterion: 'direction', share: 0.19 } } as const;
    expect(kinds([attempt(0, costly), attempt(1, costly), attempt(2), attempt(3, costly), attempt(4, costly)])).toEqual(['alwaysTheSame']);
    expect(kinds([attempt(0, costly), attempt(1, costly), attempt(2), attempt(3, little), attempt(4, costly)])).toEqual([]);
  });

  it('old habit: three gestures or more in each of the last three', () => {
    expect(kinds([attempt(0), attempt(1, { oldGestures: 3 }), attempt(2, { oldGestures: 4 }), attempt(3, { oldGestures: 3 })])).toEqual(['oldHabit']);
    expect(kinds([attempt(1, { oldGestures: 3 }), attempt(2, { oldGestures: 2 }), attempt(3, { oldGestures: 9 })])).toEqual([]);
  });
});
