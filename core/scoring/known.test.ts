import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aboutZ, fromAxisAngle, multiply, normalise, type Vec3 } from '../math';
import { quat } from '../tests/arbitraries';
import { orientationFrom, type View } from '../view';
import { askedBox, fillOf, framingOf, marginError, placementOf, sizeRatio } from './framing';
import { directionError, rollError } from './orientation';
import { orbitPath, orbitSweep, orbitWorst, resamplePath } from './paths';
import { flashesFor, pointsFor, scoreOf } from './points';
import { sectionAngle, sectionSide } from './section';
import { sparc } from './sparc';

const look = (azimuth: number, elevation: number, roll = 0) => orientationFrom({ azimuth, elevation, roll });
const around = (from: number, to: number, count: number, elevation = 0): Vec3[] =>
  Array.from({ length: count }, (_, i) => {
    const a = from + ((to - from) * i) / (count - 1);
    return [Math.sin(a) * Math.cos(elevation), -Math.cos(a) * Math.cos(elevation), Math.sin(elevation)];
  });

describe('direction and roll', () => {
  it('are what was turned, each by itself', () => {
    expect(directionError(look(0.3, 0), look(0, 0))).toBeCloseTo(0.3, 12);
    expect(rollError(look(0, 0.4, 0.25), look(0, 0.4))).toBeCloseTo(0.25, 12);
    expect(directionError(look(0, 0.4, 0.25), look(0, 0.4))).toBeLessThan(1e-12);
  });

  it('keep cos(theta/2) = cos(direction/2) cos(roll/2)', () => {
    fc.assert(
      fc.property(quat, quat, (a, b) => {
        const d = Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3]);
        return Math.abs(d - Math.abs(Math.cos(directionError(a, b) / 2) * Math.cos(rollError(a, b) / 2))) < 1e-9;
      }),
    );
  });

  it('stay exact near 0 and near pi', () => {
    for (const angle of [1e-9, 1e-7, Math.PI - 1e-9]) {
      const turned = normalise(multiply(look(0, 0), fromAxisAngle([1, 0, 0], angle)));
      expect(Math.abs(directionError(turned, look(0, 0)) - angle)).toBeLessThan(1e-12);
      expect(Math.abs(rollError(normalise(multiply(look(0, 0), aboutZ(angle))), look(0, 0)) - angle)).toBeLessThan(1e-12);
    }
    expect(rollError(normalise(multiply(look(0, 0), fromAxisAngle([0, 1, 0], Math.PI))), look(0, 0))).toBe(0);
  });
});

describe('size, placement, margins', () => {
  // A square of 2 m across, square on at 10 m in a frame 10 m high.
  const view: View = { target: [0, 0, 0], orientation: look(0, 0), distance: 10, projection: 'orthographic', fovY: 2 * Math.atan(0.5) };
  const square: Vec3[] = [
    [-1, 0, -1],
    [1, 0, -1],
    [1, 0, 1],
    [-1, 0, 1],
  ];
  const at = (v: Partial<View>) => framingOf({ ...view, ...v }, square);

  it('radius is the root mean square distance from the mean: sqrt 2 tenths', () => {
    expect(at({})).toMatchObject({ u: 0, v: 0, radius: expect.closeTo(Math.SQRT2 / 10, 12) });
  });

  it('half the distance is one octave; a metre aside is a tenth of the frame', () => {
    expect(sizeRatio(at({ distance: 5 }), at({}))).toBeCloseTo(1, 12);
    expect(placementOf(at({ target: [1, 0, 0] }), at({}))).toBeCloseTo(0.1, 12);
  });

  it('a subject behind the eye cannot be measured', () => {
    expect(framingOf({ ...view, projection: 'perspective', target: [0, 50, 0] }, square)).toBeNull();
    expect(sizeRatio(null, at({}))).toBeNull();
  });

  it('margins of a tenth above and below ask for eight tenths of the height', () => {
    const margins = { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 };
    const small = at({});
    expect(small && askedBox(small, margins)).toMatchObject({
      u0: expect.closeTo(-0.4),
      u1: expect.closeTo(0.4),
      v0: expect.closeTo(-0.4),
      v1: expect.closeTo(0.4),
    });
    expect(small && marginError(small, margins)).toBeCloseTo(0.3, 12);
    expect(small && fillOf(small, margins)).toBeCloseTo(0.25, 12);
    const right = at({ distance: 2.5 });
    expect(right && marginError(right, margins)).toBeCloseTo(0, 12);
  });
});

describe('paths', () => {
  it('the same way has no error, whatever its samples', () => {
    expect(orbitPath(around(0, 2, 9), around(0, 2, 200))).toBeLessThan(1e-3);
    expect(orbitWorst(around(0, 2, 9), around(0, 2, 9))).toBeLessThan(1e-12);
    expect(orbitSweep(around(0, 2, 50), around(0, 1.5, 20))).toBeCloseTo(0.5, 12);
  });

  it('a way that stands still at one end of a quarter turn: the mean is pi/4, the worst pi/2', () => {
    const still: Vec3[] = [[0, -1, 0]];
    expect(orbitPath(still, around(0, Math.PI / 2, 64))).toBeCloseTo(Math.PI / 4, 2);
    expect(orbitWorst(still, around(0, Math.PI / 2, 64))).toBeCloseTo(Math.PI / 2, 9);
  });

  it('a parallel way a tenth of a radian higher is a tenth off everywhere', () => {
    const a = around(0, 1, 40);
    const lifted = a.map((p): Vec3 => [p[0] * Math.cos(0.1), p[1] * Math.cos(0.1), Math.sin(0.1)]);
    expect(orbitPath(lifted, a)).toBeCloseTo(0.1, 3);
    expect(orbitWorst(lifted, a)).toBeCloseTo(0.1, 3);
  });

  it('backwards is not the same way: the ends are a whole sweep apart', () => {
    expect(orbitWorst(around(1, 0, 30), around(0, 1, 30))).toBeCloseTo(1, 9);
  });

  it('resampling keeps both ends and equal lengths', () => {
    const points = resamplePath([
      [0, -1, 0],
      [1, 0, 0],
      [0, 1, 0],
    ]);
    expect(points).toHaveLength(64);
    expect(points[0]).toEqual([0, -1, 0]);
    expect(points[63]).toEqual([0, 1, 0]);
    expect(resamplePath([[0, 0, 1]])).toHaveLength(64);
  });

  /** The slow twin: least sum over every alignment, by recursion. */
  it('alignment is the least of all alignments', () => {
    const arc = (a: Vec3, b: Vec3): number =>
      Math.atan2(Math.hypot(a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]), a[0] * b[0] + a[1] * b[1] + a[2] * b[2]);
    const a = resamplePath(around(0, 1.2, 12, 0.2));
    const b = resamplePath([...around(0, 0.6, 5), ...around(0.7, 1.3, 5, 0.5)]);
    const known = new Map<number, number>();
    const least = (i: number, j: number): number => {
      const key = i * 64 + j;
      const found = known.get(key);
      if (found !== undefined) return found;
      const before =
        i === 0 && j === 0
          ? 0
          : Math.min(i > 0 ? least(i - 1, j) : Infinity, j > 0 ? least(i, j - 1) : Infinity, i > 0 && j > 0 ? least(i - 1, j - 1) : Infinity);
      const value = before + arc(a[i] as Vec3, b[j] as Vec3);
      known.set(key, value);
      return value;
    };
    const sum = least(63, 63);
    const mean = orbitPath(around(0, 1.2, 12, 0.2), [...around(0, 0.6, 5), ...around(0.7, 1.3, 5, 0.5)]);
    const pairs = sum / mean;
    expect(Math.abs(pairs - Math.round(pairs))).toBeLessThan(1e-6);
    expect(pairs).toBeGreaterThanOrEqual(64);
  });
});

describe('sparc', () => {
  const gauss = (shift: number): number[] => Array.from({ length: 200 }, (_, i) => Math.exp(-(((i / 100 - shift) * 5) ** 2)));

  it('no movement gives 0; a single bell is near -1.41, and jerks are less smooth', () => {
    expect(sparc([], 100)).toBe(0);
    expect(sparc([0, 0, 0], 100)).toBe(0);
    const one = sparc(gauss(1), 100);
    // The published example: exp(-5 (t - ...)^2) bells lie between -1.4 and -1.6.
    expect(one).toBeGreaterThan(-1.6);
    expect(one).toBeLessThan(-1.3);
    const jerky = gauss(1).map((v, i) => v * (1 + Math.sin(i / 2.2)));
    expect(sparc(jerky, 100)).toBeLessThan(one - 0.3);
  });

  it('does not depend on the size of the movement', () => {
    expect(
      sparc(
        gauss(1).map((v) => v * 7),
        100,
      ),
    ).toBeCloseTo(sparc(gauss(1), 100), 12);
  });
});

describe('points and scores', () => {
  it('full marks, none, and a straight line between', () => {
    expect([0, 1, 2, 3, 9].map((v) => pointsFor(v, { full: 1, zero: 3 }))).toEqual([1, 1, 0.5, 0, 0]);
    expect([1, 1.01].map((v) => pointsFor(v, { full: 1, zero: 1 }))).toEqual([1, 0]);
    expect(pointsFor(Number.NaN, { full: 1, zero: 2 })).toBe(0);
  });

  it('weights, and the cap of a must', () => {
    const j = (points: number, weight: number, must = false) => ({ points, weight, must });
    expect(scoreOf([j(1, 3), j(0, 1)])).toBe(75);
    expect(scoreOf([j(1, 3), j(0, 1, true)])).toBe(50);
    expect(scoreOf([j(0.1, 1, true)])).toBe(10);
    expect(scoreOf([])).toBe(0);
    expect([59.9, 60, 80, 95].map(flashesFor)).toEqual([0, 1, 2, 3]);
  });
});

it('planes: the angle does not tell the side, the side does', () => {
  expect(sectionAngle({ normal: [0, 0, 1], offset: 0 }, { normal: [0, Math.sin(0.3), Math.cos(0.3)], offset: 0 })).toBeCloseTo(0.3, 12);
  expect(sectionAngle({ normal: [0, 0, -1], offset: 0 }, { normal: [0, 0, 1], offset: 0 })).toBe(0);
  expect(sectionSide({ normal: [0, 0, -1], offset: 0 }, { normal: [0, 0, 1], offset: 0 })).toBe(1);
});
