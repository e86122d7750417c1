import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { randomFrom } from '../math';
import { difficultyOf, LEVEL, type LevelState, levelShown, oddsOf, practised, type SkillLevel, skillState, updateLevel } from './level';

const tried = (score: number, at: number, more: { difficulty?: number; helped?: boolean } = {}) => ({ score, at, difficulty: 0, helped: false, ...more });

describe('the level of a skill', () => {
  it('follows the recursion worked by hand', () => {
    // 50 points are log-odds 0: the prior variance 4 shrinks by 4 / 4.64.
    const first = updateLevel(null, tried(50, 10));
    expect(first).toEqual({ theta: 0, variance: expect.closeTo(0.551724, 6), at: 10, count: 1 });
    // A day on: 0.551724 + 0.02 + 0.06 = 0.631724; gain 0.631724 / 1.271724 = 0.496746; ln(82 / 22) = 1.315677.
    const second = updateLevel(first, tried(80, 11));
    expect(second.theta).toBeCloseTo(0.653557, 5);
    expect(second.variance).toBeCloseTo(0.317918, 5);
    // With help R is 1.28: 0.317918 + 0.06 = 0.377918, gain 0.227944, and what was hard by 0.5 counts for 0.5 more.
    const third = updateLevel(second, tried(50, 11, { difficulty: 0.5, helped: true }));
    expect(third.theta).toBeCloseTo(0.653557 + 0.227944 * (0.5 - 0.653557), 5);
    expect(third.variance).toBeCloseTo((1 - 0.227944) * 0.377918, 5);
    expect(third.count).toBe(3);
  });

  it('is shown as points with an interval that widens by the days', () => {
    const state: LevelState = { theta: 0, variance: 0.25, at: 10, count: 4 };
    // 104 / (1 + e^-0.6408) - 2 = 66.11; on the other side as much under 50.
    expect(levelShown(state, 10)).toEqual({ level: 50, low: expect.closeTo(33.89, 1), high: expect.closeTo(66.11, 1) });
    expect(levelShown(state, 40).high).toBeGreaterThan(levelShown(state, 10).high);
    expect(levelShown({ ...state, theta: 9 }, 10).level).toBe(100);
    expect(levelShown({ ...state, theta: -9 }, 10).low).toBe(0);
  });

  it('a score of 0 and of 100 are finite, and opposite', () => {
    expect(oddsOf(100)).toBeCloseTo(3.931826, 6);
    expect(oddsOf(0)).toBe(-oddsOf(100));
  });

  it('better scores never give a lower level', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 99, noNaN: true }), { minLength: 1, maxLength: 20 }), (scores) => {
        const folded = (more: number): LevelState =>
          scores.reduce<LevelState | null>((s, score, i) => updateLevel(s, tried(score + more, i)), null) as LevelState;
        return folded(1).theta > folded(0).theta && folded(1).variance === folded(0).variance;
      }),
    );
  });

  it('holds the true level of simulated learners in about 80 of 100, within wide bounds', () => {
    const random = randomFrom(7);
    let held = 0;
    for (let learner = 0; learner < 200; learner++) {
      let truth = random.normal();
      let state: LevelState | null = null;
      for (let n = 0; n < 12; n++) {
        truth += Math.sqrt(LEVEL.Q + LEVEL.perObservation) * random.normal();
        const odds = truth + Math.sqrt(LEVEL.R) * random.normal();
        state = updateLevel(state, tried(Math.min(100, Math.max(0, 104 / (1 + Math.exp(-odds)) - 2)), n));
      }
      const { low, high } = levelShown(state as LevelState, 11);
      const shown = 104 / (1 + Math.exp(-truth)) - 2;
      if (low <= shown && shown <= high) held += 1;
    }
    expect(held / 200).toBeGreaterThan(0.68);
    expect(held / 200).toBeLessThan(0.92);
  });

  it('recovers the level, the rate and the forgetting of a learner who is known', () => {
    const random = randomFrom(3);
    const learn = (rate: number, days: number): number => {
      let state: LevelState | null = null;
      for (let n = 0; n < 30; n++) {
        const odds = -1 + rate * n + 0.3 * random.normal();
        state = updateLevel(state, tried(104 / (1 + Math.exp(-odds)) - 2, n * days));
      }
      return (state as LevelState).theta;
    };
    const mean = (of: () => number): number => Array.from({ length: 40 }, of).reduce((sum, x) => sum + x, 0) / 40;
    expect(Math.abs(mean(() => learn(0, 1)) + 1)).toBeLessThan(0.1);
    // One who gets better is followed with a lag of under five attempts.
    const rising = mean(() => learn(0.08, 1));
    expect(rising).toBeGreaterThan(-1 + 0.08 * 24);
    expect(rising).toBeLessThan(-1 + 0.08 * 30);
  });
});

describe('difficulty of an exercise', () => {
  it('is how much lower its first tries are, drawn towards 0 by five learners', () => {
    const skill = { learners: 20, odds: 10 };
    expect(difficultyOf({ learners: 5, odds: -5 }, skill)).toBeCloseTo(((0.5 + 1) * 5) / 10, 12);
    expect(difficultyOf({ learners: 0, odds: 0 }, skill)).toBe(0);
    expect(difficultyOf({ learners: 5, odds: 5 }, skill)).toBeLessThan(0);
  });
});

describe('mastery', () => {
  const attempt = (score: number, at: number, hinted = false) => ({
    ...tried(score, at),
    day: `2031-05-${String(10 + Math.floor(at)).padStart(2, '0')}`,
    hinted,
  });
  const folded = (...attempts: readonly ReturnType<typeof attempt>[]): SkillLevel =>
    attempts.reduce<SkillLevel | null>((state, each) => practised(state, each), null) as SkillLevel;
  const good = [attempt(97, 0), attempt(98, 0.1), attempt(98, 1), attempt(99, 1.1)];

  it('asks for three attempts on two days, sure in nine of ten, the last without a hint', () => {
    expect(skillState(folded(...good.slice(0, 2)), 1.1, 80)).toBe('few');
    expect(skillState(folded(...good), 1.1, 80)).toBe('mastered');
    expect(skillState(folded(...good.map((each) => ({ ...each, at: 0, day: '2031-05-10' }))), 0, 80)).toBe('learning');
    expect(skillState(folded(...good.slice(0, 3), attempt(99, 1.1, true)), 1.1, 80)).toBe('learning');
    expect(skillState(folded(attempt(60, 0), attempt(70, 1), attempt(75, 2)), 2, 80)).toBe('learning');
  });

  it('fades by itself', () => {
    expect(skillState(folded(...good), 400, 80)).toBe('fading');
  });

  it('counts days, not attempts, and a late one is no new day', () => {
    expect(folded(...good)).toMatchObject({ count: 4, days: 2, lastDay: '2031-05-11' });
  });
});
