import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import * as exact from './exact';

const within = (a: number, b: number, ulps: number): boolean => Math.abs(a - b) <= ulps * Number.EPSILON * Math.max(Math.abs(a), Math.abs(b), 1e-300);

describe('functions with one answer in every engine', () => {
  it.each([
    ['sin', exact.sin, Math.sin],
    ['cos', exact.cos, Math.cos],
    ['atan', exact.atan, Math.atan],
    ['exp', exact.exp, Math.exp],
  ] as const)('%s is within two units in the last place of the engine', (_name, mine, theirs) => {
    fc.assert(
      fc.property(fc.double({ min: -600, max: 600, noNaN: true }), (x) => {
        const a = mine(x);
        const b = theirs(x);
        return within(a, b, 2) || Math.abs(a - b) < 1e-16;
      }),
      { numRuns: 1500 },
    );
  });

  it('log and log2 agree with the engine over the whole range', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-300, max: 1e300, noNaN: true }),
        (x) =>
          Math.abs(exact.log(x) - Math.log(x)) <= 4e-16 * (1 + Math.abs(Math.log(x))) &&
          Math.abs(exact.log2(x) - Math.log2(x)) <= 4e-16 * (1 + Math.abs(Math.log2(x))),
      ),
    );
    expect([0.125, 0.5, 1, 2, 8, 1024, 2 ** -1000].map(exact.log2)).toEqual([-3, -1, 0, 1, 3, 10, -1000]);
    expect(exact.log(0)).toBe(Number.NEGATIVE_INFINITY);
    expect(exact.log(-1)).toBeNaN();
  });

  it('atan2 knows every quadrant and axis', () => {
    for (const [y, x] of [
      [0, 1],
      [1, 1],
      [1, 0],
      [1, -1],
      [0, -1],
      [-1, -1],
      [-1, 0],
      [-1, 1],
      [0, 0],
      [1e-300, 1e300],
      [3, -1e-20],
    ] as const) {
      expect(exact.atan2(y, x)).toBeCloseTo(Math.atan2(y, x), 15);
    }
  });

  it('tan, asin, acos and pow have their known values', () => {
    expect(exact.tan(Math.PI / 4)).toBeCloseTo(1, 15);
    expect(exact.asin(0.5)).toBeCloseTo(Math.PI / 6, 15);
    expect(exact.acos(-1)).toBe(Math.PI);
    expect(exact.pow(2, 10)).toBeCloseTo(1024, 10);
    expect(exact.pow(0, 2)).toBe(0);
    expect(exact.exp(800)).toBe(Number.POSITIVE_INFINITY);
    expect(exact.exp(-800)).toBe(0);
  });
});
