import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { aboutZ, angleOfRotation, backOf, multiply, type Vec3 } from '../math';
import { perspectiveView, quat, vec3, view } from '../tests/arbitraries';
import { lookAt } from './aim';
import { anglesOf, orientationFrom } from './angles';
import { fit } from './fit';
import { pointAt, project, rayThrough } from './project';
import { nearestStandard, standardOrientation } from './standard';
import { STANDARD_NAMES } from './standardNames';
import { eyeOf, type View } from './view';

const front: View = {
  target: [0, 0, 0],
  orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
  distance: 10,
  projection: 'perspective',
  fovY: 1,
};

describe('angles', () => {
  it('front looks along +Y from -Y; azimuth a quarter stands at +X; elevation a quarter on top', () => {
    const eye = (azimuth: number, elevation: number): Vec3 => eyeOf({ ...front, orientation: orientationFrom({ azimuth, elevation, roll: 0 }) });
    const near = (a: Vec3, b: Vec3): void => {
      for (const [i, x] of a.entries()) expect(x).toBeCloseTo(b[i] as number, 12);
    };
    near(eye(0, 0), [0, -10, 0]);
    near(eye(Math.PI / 2, 0), [10, 0, 0]);
    near(eye(Math.PI, 0), [0, 10, 0]);
    near(eye(0, Math.PI / 2), [0, 0, 10]);
  });

  it('come back from the orientation they made', () => {
    fc.assert(fc.property(quat, (q) => angleOfRotation(orientationFrom(anglesOf(q)), q) < 1e-9));
    for (const elevation of [Math.PI / 2, -Math.PI / 2]) {
      const q = multiply(orientationFrom({ azimuth: 0.7, elevation, roll: 0 }), aboutZ(0.3));
      expect(anglesOf(q).roll).toBe(0);
      expect(angleOfRotation(orientationFrom(anglesOf(q)), q)).toBeLessThan(1e-9);
    }
  });

  it('lie in their ranges', () => {
    fc.assert(
      fc.property(quat, (q) => {
        const a = anglesOf(q);
        return a.azimuth > -Math.PI && a.azimuth <= Math.PI && a.roll > -Math.PI && a.roll <= Math.PI && Math.abs(a.elevation) <= Math.PI / 2;
      }),
    );
  });
});

describe('standard views', () => {
  it('are 26, each nearest to itself', () => {
    expect(STANDARD_NAMES).toHaveLength(26);
    for (const name of STANDARD_NAMES) expect(nearestStandard(standardOrientation(name))).toMatchObject({ name });
    expect(anglesOf(standardOrientation('top-front-right'))).toMatchObject({
      elevation: expect.closeTo(Math.atan(1 / Math.SQRT2), 12),
      azimuth: expect.closeTo(Math.PI / 4, 12),
    });
  });

  it('count the plan views in each quarter turn, and the sides only upright', () => {
    expect(nearestStandard(multiply(aboutZ(Math.PI / 2), standardOrientation('top'))).angle).toBeLessThan(1e-12);
    expect(nearestStandard(multiply(standardOrientation('front'), aboutZ(0.2))).angle).toBeCloseTo(0.2, 12);
  });
});

describe('project and rayThrough', () => {
  it('a point two metres right of the target in a ten metre view', () => {
    const p = project(front, [2, 0, 0], 1.6);
    expect(p.u).toBeCloseTo(2 / (20 * Math.tan(0.5)), 12);
    expect(p.v).toBeCloseTo(0, 12);
    expect(p.depth).toBeCloseTo(10, 12);
  });

  it('are each other’s inverse in both projections', () => {
    fc.assert(
      fc.property(
        view,
        fc.double({ min: -0.8, max: 0.8, noNaN: true }),
        fc.double({ min: -0.5, max: 0.5, noNaN: true }),
        fc.double({ min: 0.1, max: 100, noNaN: true }),
        (v, u, w, depth) => {
          const p = project(v, pointAt(v, u, w, depth), 1.6);
          const { origin, direction } = rayThrough(v, u, w, 1.6);
          const along = depth / -(direction[0] * backOf(v.orientation)[0] + direction[1] * backOf(v.orientation)[1] + direction[2] * backOf(v.orientation)[2]);
          const q = project(v, [origin[0] + direction[0] * along, origin[1] + direction[1] * along, origin[2] + direction[2] * along], 1.6);
          return Math.abs(p.u - u) < 1e-9 && Math.abs(p.v - w) < 1e-9 && Math.abs(q.u - u) < 1e-9 && Math.abs(q.v - w) < 1e-9;
        },
      ),
    );
  });
});

describe('fit', () => {
  const points = fc.array(vec3(5), { minLength: 3, maxLength: 30 });
  const spreadOut = (list: readonly Vec3[]): boolean =>
    Math.max(...list.map((p) => Math.hypot(p[0] - (list[0] as Vec3)[0], p[1] - (list[0] as Vec3)[1], p[2] - (list[0] as Vec3)[2]))) > 0.1;
  const outer = (v: View, list: readonly Vec3[], margin: number): number =>
    Math.max(
      ...list.map((p) => {
        const q = project(v, p, 1.6);
        return Math.max(Math.abs(q.u) / (0.8 * (1 - 2 * margin)), Math.abs(q.v) / (0.5 * (1 - 2 * margin)));
      }),
    );

  it('holds all points and touches the shrunk frame: no smaller view of that orientation holds them', () => {
    fc.assert(
      fc.property(view, points.filter(spreadOut), fc.double({ min: 0, max: 0.3, noNaN: true }), (v, list, margin) => {
        const f = fit(v, list, 1.6, margin);
        // Seen along a line of points the smallest view stands on the nearest: there is no outline to measure.
        fc.pre(list.every((p) => v.projection === 'orthographic' || project(f, p, 1.6).depth > 1e-3));
        const reach = outer(f, list, margin);
        return reach <= 1 + 1e-6 && f.fovY === v.fovY && f.projection === v.projection;
      }),
    );
  });

  it('is tight: both sides of the winning direction touch, so moving in or aside loses a point', () => {
    fc.assert(
      fc.property(perspectiveView, points.filter(spreadOut), (v, list) => {
        const f = fit(v, list, 1.6, 0.05);
        fc.pre(list.every((p) => project(f, p, 1.6).depth > 1e-3));
        const closer: View = {
          ...f,
          distance: f.distance,
          target: f.target.map((x, i) => x - (backOf(f.orientation)[i] as number) * f.distance * 1e-4) as unknown as Vec3,
        };
        const sides = list.map((p) => project(f, p, 1.6));
        const u = [Math.min(...sides.map((s) => s.u)), Math.max(...sides.map((s) => s.u))].map((x) => Math.abs(x) / 0.72);
        const w = [Math.min(...sides.map((s) => s.v)), Math.max(...sides.map((s) => s.v))].map((x) => Math.abs(x) / 0.45);
        const both = Math.min(...u) > 1 - 1e-6 || Math.min(...w) > 1 - 1e-6;
        return both && outer(closer, list, 0.05) > 1;
      }),
    );
  });

  it('frames a flat square worked out by hand', () => {
    const square: Vec3[] = [
      [-1, 0, -1],
      [1, 0, -1],
      [1, 0, 1],
      [-1, 0, 1],
    ];
    expect(fit({ ...front, distance: 3 }, square, 1.6, 0).distance).toBeCloseTo(1 / Math.tan(0.5), 12);
    expect(fit({ ...front, projection: 'orthographic' }, square, 1.6, 0.25).distance).toBeCloseTo(2 / Math.tan(0.5), 12);
  });

  it('centres a single point at the distance kept, and leaves the view without points', () => {
    expect(fit(front, [[3, 4, 5]], 1.6, 0.1)).toEqual({ ...front, target: [3, 4, 5] });
    expect(fit(front, [], 1.6, 0.1)).toBe(front);
  });
});

it('lookAt keeps the eye and the roll and leaves a view at its own eye alone', () => {
  fc.assert(
    fc.property(view, vec3(), (v, point) => {
      const seen = lookAt(v, point);
      const [a, b] = [eyeOf(v), eyeOf(seen)];
      const far = Math.hypot(a[0] - point[0], a[1] - point[1], a[2] - point[2]);
      return far < 0.01 || Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < 1e-8 * Math.max(1, far);
    }),
  );
  expect(lookAt(front, eyeOf(front))).toBe(front);
});
