import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pointsFor } from '../criteria';
import { aboutZ, fromAxisAngle, multiply, normalise, type Vec3 } from '../math';
import { flashesFor, scoreOf } from '../scoring';
import { quat } from '../tests/arbitraries';
import { orientationFrom, type View } from '../view';
import { askedBox, fillOf, framingOf, marginError, placementOf, sizeRatio } from './framing';
import { directionError, rollError, signedRoll } from './orientation';
import { orbitPath, orbitSweep, orbitWorst, resamplePath } from './paths';
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

  const deg = Math.PI / 180;

  it.each([0, 30, 60])('level views at %s° of elevation differ by no roll, however far apart they look', (elevation) => {
    for (const apart of [1, 12, 90, 179]) expect(rollError(look(apart * deg, elevation * deg), look(0, elevation * deg))).toBeLessThan(1e-12);
  });

  it('a rolled view differs by its roll where there is a horizon', () => {
    for (const elevation of [-60, 0, 45, 60]) expect(rollError(look(0.7, elevation * deg, 0.3), look(-0.4, elevation * deg, -0.1))).toBeCloseTo(0.4, 12);
  });

  it('half way over the blend it is the mean of both; from 80° on it is the turn of the picture', () => {
    // At 70° the swing-twist of two level views 12° apart: 2 atan(tan(6°) sin(70°)).
    const twist = 2 * Math.atan(Math.tan(6 * deg) * Math.sin(70 * deg));
    expect(rollError(look(12 * deg, 70 * deg), look(0, 70 * deg))).toBeCloseTo(twist / 2, 12);
    expect(rollError(look(12 * deg, 80 * deg), look(0, 80 * deg))).toBeCloseTo(2 * Math.atan(Math.tan(6 * deg) * Math.sin(80 * deg)), 12);
  });

  it('a plan view turned by a quarter is a quarter off, and straight up is like straight down', () => {
    for (const up of [1, -1]) expect(rollError(look(Math.PI / 2, (up * Math.PI) / 2), look(0, (up * Math.PI) / 2))).toBeCloseTo(Math.PI / 2, 9);
  });

  it('from 80° on direction and roll are one rotation: cos(theta/2) = cos(direction/2) cos(roll/2)', () => {
    const steep = fc.tuple(
      fc.double({ min: -3, max: 3, noNaN: true }),
      fc.double({ min: 1.4, max: 1.57, noNaN: true }),
      fc.double({ min: -3, max: 3, noNaN: true }),
    );
    fc.assert(
      fc.property(steep, quat, ([azimuth, elevation, roll], b) => {
        const a = look(azimuth, elevation, roll);
        const d = Math.abs(a[0] * b[0] + a[1] * b[1] + a[2] * b[2] + a[3] * b[3]);
        return Math.abs(d - Math.abs(Math.cos(directionError(a, b) / 2) * Math.cos(rollError(a, b) / 2))) < 1e-9;
      }),
    );
  });

  it('is continuous over the blend, and the turn that is told undoes the larger share', () => {
    let last = rollError(look(0.5, 55 * deg, 0.2), look(0, 40 * deg));
    for (let elevation = 55; elevation <= 85; elevation += 0.05) {
      const now = rollError(look(0.5, elevation * deg, 0.2), look(0, 40 * deg));
      expect(Math.abs(now - last)).toBeLessThan(0.004);
      last = now;
    }
    fc.assert(
      fc.property(quat, quat, (a, b) => {
        const before = rollError(a, b);
        const undone = normalise(multiply(a, aboutZ(-signedRoll(a, b))));
        return rollError(undone, b) <= before + 1e-9;
      }),
    );
  });

  it('stay exact near 0 and near pi', () => {
    for (const angle of [1e-9, 1e-7, Math.PI - 1e-9]) {
      const turned = normalise(multiply(look(0, 0), fromAxisAngle([1, 0, 0], angle)));
      expect(Math.abs(directionError(turned, look(0, 0)) - angle)).toBeLessThan(1e-12);
      expect(Math.abs(rollError(normalise(multiply(look(0, 0), aboutZ(angle))), look(0, 0)) - angle)).toBeLessThan(1e-12);
    }
    expect(rollError(normalise(multiply(look(0, 0), fromAxisAngle([0, 1, 0], Math.PI))), look(0, 0))).toBeLessThan(1e-12);
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
    const j = (points: number, weight: number, must = false, startPoints = 0) => ({ points, startPoints, weight, must });
    expect(scoreOf([j(1, 3), j(0, 1)])).toBe(75);
    // What was right at the start can only be lost: (0.5 - 1) * 1 + 1 * 3 of 3.
    expect(scoreOf([j(1, 3), j(0.5, 1, false, 1)])).toBeCloseTo((100 * 2.5) / 3, 9);
    // Half of what was left to gain: from 0.6 to 0.8.
    expect(scoreOf([j(0.8, 1, false, 0.6)])).toBeCloseTo(50, 9);
    // Where the start already is the target, the mean as it stands.
    expect(scoreOf([j(0.9, 1, false, 0.95)])).toBeCloseTo(90, 9);
    // Neither weight nor must of what was left out.
    expect(scoreOf([j(1, 1), { ...j(0, 5, true), leftOut: true }])).toBe(100);
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
