import { describe, expect, it } from 'vitest';
import { randomFrom } from '../math';
import { forecast } from './forecast';
import { attemptsToReach } from './learningCurve';

const curve = { floor: 5, gain: 60, rate: 0.7 };
const attempts = (count: number, of = curve, noise = 0, seed = 1) => {
  const random = randomFrom(seed);
  return Array.from({ length: count }, (_, i) => ({ n: i + 1, score: 100 - Math.max(0, of.floor + of.gain * (i + 1) ** -of.rate + noise * random.normal()) }));
};

describe('forecast', () => {
  it('of scores on a curve is what the curve says', () => {
    // 5 + 60 n ** -0.7 <= 15 from n = 13 on: seven after the sixth.
    expect(attemptsToReach(curve, 15)).toBe(13);
    const told = forecast(attempts(6), 85, 1);
    expect(told?.likely).toBeGreaterThanOrEqual(6);
    expect(told?.likely).toBeLessThanOrEqual(8);
    expect(forecast(attempts(14), 85, 1)).toEqual({ likely: 0, low: 0, high: 0 });
  });

  it('is the same for the same seed', () => {
    const points = attempts(8, curve, 4);
    expect(forecast(points, 85, 9)).toEqual(forecast(points, 85, 9));
  });

  it('is silent with four attempts, and where the curve is no better than a mean', () => {
    expect(forecast(attempts(4), 85, 1)).toBeNull();
    expect(forecast(attempts(8, { floor: 40, gain: 0, rate: 1 }, 8, 2), 85, 1)).toBeNull();
    expect(forecast(attempts(6, { floor: 40, gain: 0, rate: 1 }), 85, 1)).toBeNull();
  });

  it('says that it may never be', () => {
    expect(forecast(attempts(10, { floor: 30, gain: 60, rate: 1 }, 1), 85, 1)?.high).toBe(Number.POSITIVE_INFINITY);
  });

  it('holds the true number for learners who are not there yet, within wide bounds', () => {
    const random = randomFrom(5);
    let made = 0;
    let held = 0;
    for (let learner = 0; learner < 200; learner++) {
      const of = { floor: 2 + 10 * random.next(), gain: 35 + 35 * random.next(), rate: 0.3 + 0.9 * random.next() };
      const truth = attemptsToReach(of, 20) - 8;
      const told = truth > 0 ? forecast(attempts(8, of, 4, learner), 80, learner) : null;
      if (!told) continue;
      made += 1;
      if (told.low <= truth && truth <= told.high) held += 1;
    }
    expect(made).toBeGreaterThan(40);
    expect(held / made).toBeGreaterThan(0.65);
    expect(held / made).toBeLessThan(0.95);
  });
});
