import { describe, expect, it } from 'vitest';
import { compareSchemes, type SchemeTry, throughputOf } from './schemesCompared';

const attempt = (exerciseId: string, schemeId: string, seconds: number, start = 1, end = 0, full = 0.2): SchemeTry => ({
  exerciseId,
  schemeId,
  seconds,
  ways: [{ key: '0 direction', start, end, full }],
});

describe('throughput', () => {
  it('is the bits of the way by the time of the last three attempts, worked by hand', () => {
    // W: half of what earns everything, 0.1. ID = log2(1.5 / 0.1 + 1) = 4 bits.
    const tries = [40, 8, 4, 2].map((seconds) => attempt('a', 's', seconds, 1.5));
    expect(throughputOf(tries)).toBeCloseTo((4 / 8 + 4 / 4 + 4 / 2) / 3, 12);
  });

  it('takes the width from how exactly attempts ended: 4.133 times their root mean square', () => {
    // Errors 0.3 and 0.4 of unequal sign: rms = sqrt(0.125), W = 1.4612…, ID = log2(3 / W + 1).
    const tries = [attempt('a', 's', 1, 3, 0.3), attempt('a', 's', 1, 3, -0.4)];
    expect(throughputOf(tries)).toBeCloseTo(Math.log2(3 / (4.133 * Math.sqrt(0.125)) + 1), 12);
  });

  it('adds the degrees of freedom; a way that is none adds nothing', () => {
    const ways = [
      { key: '0 direction', start: 0.7, end: 0, full: 0.2 },
      { key: '0 size', start: -0.3, end: 0, full: 0.2 },
      { key: '0 roll', start: 0, end: 0, full: 0.2 },
    ];
    expect(throughputOf([{ exerciseId: 'a', schemeId: 's', seconds: 1, ways }])).toBeCloseTo(3 + 2, 12);
    expect(throughputOf([attempt('a', 's', 2, 0)])).toBeNull();
    expect(throughputOf([attempt('a', 's', 0)])).toBeNull();
    expect(throughputOf([])).toBeNull();
  });
});

const four = ['a', 'b', 'c', 'd'];
const series = (schemeId: string, times: readonly number[], exercises: readonly string[] = four): SchemeTry[] =>
  exercises.flatMap((exerciseId) => times.map((seconds) => attempt(exerciseId, schemeId, seconds)));

describe('two schemes of a learner', () => {
  it('are compared only on exercises done three times under both, and from four of those on', () => {
    const tries = [...series('puck', [9, 9, 9]), ...series('mouse', [9, 9, 9], ['a', 'b', 'c']), ...series('mouse', [9, 9], ['d'])];
    const found = compareSchemes(tries, ['puck', 'mouse'], 1);
    expect(found.exercises.map(({ exerciseId }) => exerciseId)).toEqual(['a', 'b', 'c']);
    expect(found).toMatchObject({ ratio: null, meetIn: null });
  });

  it('have one ratio where every exercise tells the same, and limits about it where they differ', () => {
    const same = compareSchemes([...series('puck', [10, 10, 10]), ...series('mouse', [8, 8, 8])], ['puck', 'mouse'], 1);
    expect(same.ratio?.likely).toBeCloseTo(0.8, 12);
    expect(same.ratio?.low).toBeCloseTo(0.8, 12);
    expect(same.ratio?.high).toBeCloseTo(0.8, 12);
    const uneven = four.flatMap((exerciseId, i) => [
      ...series('puck', [10, 10, 10], [exerciseId]),
      ...series(
        'mouse',
        [5, 5, 5].map((seconds) => seconds * (i + 1)),
        [exerciseId],
      ),
    ]);
    const { ratio } = compareSchemes(uneven, ['puck', 'mouse'], 1);
    // The geometric mean of 1/2, 1, 3/2 and 2.
    expect(ratio?.likely).toBeCloseTo((0.5 * 1 * 1.5 * 2) ** 0.25, 12);
    expect(ratio?.low).toBeGreaterThan(0.5);
    expect(ratio?.low).toBeLessThan(ratio?.likely as number);
    expect(ratio?.high).toBeLessThan(2);
    expect(compareSchemes(uneven, ['puck', 'mouse'], 1)).toEqual(compareSchemes(uneven, ['puck', 'mouse'], 1));
  });

  it('seen the other way round tell the same', () => {
    const tries = [...series('puck', [12, 11, 10]), ...series('mouse', [8, 8, 9])];
    const there = compareSchemes(tries, ['puck', 'mouse'], 3);
    const back = compareSchemes(tries, ['mouse', 'puck'], 3);
    expect(back.ratio?.likely).toBeCloseTo(1 / (there.ratio?.likely as number), 12);
    expect(back.meetIn).toBe(there.meetIn);
  });

  it('meet where the curve of the slower one comes down to where the other is today', () => {
    // T(n) = 2 + 18 / n, and T(n) = 4 + 4 / n, which after four attempts is at 5: there at n = 6, two after the fourth.
    const falling = [1, 2, 3, 4].map((n) => 2 + 18 / n);
    const level = [1, 2, 3, 4].map((n) => 4 + 4 / n);
    const found = compareSchemes([...series('puck', falling), ...series('mouse', level)], ['puck', 'mouse'], 1);
    expect(found.ratio?.likely).toBeLessThan(1);
    expect(found.meetIn).toBe(2);
  });

  it('meet never where the slower one comes to rest above the other, and nothing is told where a curve is none', () => {
    const never = [
      ...series(
        'puck',
        [1, 2, 3, 4].map((n) => 9 + 4 / n),
      ),
      ...series(
        'mouse',
        [1, 2, 3, 4].map((n) => 4 + 4 / n),
      ),
    ];
    expect(compareSchemes(never, ['puck', 'mouse'], 1).meetIn).toBe(Number.POSITIVE_INFINITY);
    const flat = [
      ...series('puck', [9, 12, 9, 12]),
      ...series(
        'mouse',
        [1, 2, 3, 4].map((n) => 4 + 4 / n),
      ),
    ];
    expect(compareSchemes(flat, ['puck', 'mouse'], 1).meetIn).toBeNull();
  });
});
