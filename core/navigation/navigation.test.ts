import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { angleOfRotation, type Vec3 } from '../math';
import { command, perspectiveView, vec3, view } from '../tests/arbitraries';
import { anglesOf, eyeOf, FRAME, orientationFrom, pointAt, project, type View } from '../view';
import { apply } from './apply';
import { Command } from './command';
import { commandsToRecall } from './commandsToRecall';
import { navigate } from './navigate';
import { noEffectReason } from './noEffectReason';
import { effectiveVisibility, initialScene, type Scene } from './scene';

const context = { frame: FRAME };
const close = (a: View, b: View, tolerance = 1e-9): boolean => {
  const size = Math.max(1, a.distance, ...a.target.map(Math.abs));
  return (
    angleOfRotation(a.orientation, b.orientation) < tolerance &&
    a.target.every((x, i) => Math.abs(x - (b.target[i] as number)) < tolerance * size * 10) &&
    Math.abs(a.distance - b.distance) < tolerance * size &&
    a.projection === b.projection &&
    a.fovY === b.fovY
  );
};
const go = (v: View, ...commands: Command[]): View => commands.reduce((at, c) => navigate(at, c, context), v);
const frontView: View = {
  target: [0, 0, 0],
  orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
  distance: 10,
  projection: 'perspective',
  fovY: 1,
};

describe('laws of navigate', () => {
  it('orientation stays unit and distance positive and finite after any commands', () => {
    fc.assert(
      fc.property(view, fc.array(command, { maxLength: 20 }), (v, commands) => {
        const end = go(v, ...commands);
        const n = Math.sqrt(end.orientation.reduce((s, x) => s + x * x, 0));
        return Math.abs(n - 1) < 1e-12 && end.distance > 0 && Number.isFinite(end.distance) && end.target.every(Number.isFinite);
      }),
    );
  });

  it('distance stays within its limits after any number of zooms', () => {
    expect(go(frontView, ...Array.from({ length: 50 }, () => ({ kind: 'zoom' as const, factor: 1e6 }))).distance).toBe(1e-6);
    expect(go(frontView, ...Array.from({ length: 50 }, () => ({ kind: 'zoom' as const, factor: 1e-300 }))).distance).toBe(1e9);
  });

  it('orbit keeps the pivot at its screen point', () => {
    fc.assert(
      fc.property(
        perspectiveView,
        fc.double({ min: -0.7, max: 0.7, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.integer({ min: -900, max: 900 }),
        fc.integer({ min: -900, max: 900 }),
        fc.constantFrom('turntable' as const, 'trackball' as const),
        (v, u, w, depth, dx, dy, mode) => {
          const pivot = pointAt(v, u, w, depth);
          const p = project(go(v, { kind: 'orbit', dx, dy, pivot, mode }), pivot, 1.6);
          return Math.abs(p.u - u) < 1e-9 && Math.abs(p.v - w) < 1e-9;
        },
      ),
    );
  });

  it('zoom keeps the point under the pointer, also where a limit cuts it short', () => {
    fc.assert(
      fc.property(
        view,
        fc.double({ min: -0.7, max: 0.7, noNaN: true }),
        fc.double({ min: -0.4, max: 0.4, noNaN: true }),
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.constantFrom(0.01, 0.5, 1.1, 40, 1e9),
        (v, u, w, depth, factor) => {
          const point = pointAt(v, u, w, depth);
          const after = go(v, { kind: 'zoom', factor, at: { u, v: w, depth } });
          const p = project(after, point, 1.6);
          // At a millionth of a metre the rounding of the coordinates themselves shows.
          const tolerance = Math.max(1e-9, (1e-13 * Math.max(...point.map(Math.abs), 1)) / after.distance);
          return Math.abs(p.u - u) < tolerance && Math.abs(p.v - w) < tolerance;
        },
      ),
    );
  });

  it('pan is pixel-exact at its depth in both projections', () => {
    fc.assert(
      fc.property(
        view,
        fc.double({ min: 0.5, max: 50, noNaN: true }),
        fc.integer({ min: -500, max: 500 }),
        fc.integer({ min: -400, max: 400 }),
        (v, depth, dx, dy) => {
          const p = project(go(v, { kind: 'pan', dx, dy, depth }), pointAt(v, 0.1, 0.2, depth), 1.6);
          return Math.abs(p.u - (0.1 + dx / 1000)) < 1e-9 && Math.abs(p.v - (0.2 - dy / 1000)) < 1e-9;
        },
      ),
    );
  });

  it('what is done twice or back again gives the first view', () => {
    fc.assert(fc.property(view, (v) => close(go(v, { kind: 'opposite' }, { kind: 'opposite' }), v)));
    const angle = fc.double({ min: -3, max: 3, noNaN: true });
    fc.assert(fc.property(view, angle, (v, a) => close(go(v, { kind: 'roll', angle: a }, { kind: 'roll', angle: -a }), v)));
    fc.assert(
      fc.property(view, angle, fc.constantFrom('left' as const, 'up' as const), (v, a, axis) =>
        close(go(v, { kind: 'turn', axis, angle: a }, { kind: 'turn', axis, angle: -a }), v),
      ),
    );
    fc.assert(fc.property(view, angle, angle, (v, dx, dy) => close(go(v, { kind: 'pan', dx, dy }, { kind: 'pan', dx: -dx, dy: -dy }), v)));
    fc.assert(fc.property(view, (v) => close(go(v, { kind: 'projection', projection: 'perspective' }, { kind: 'projection', projection: v.projection }), v)));
  });

  it('a drag of one frame height turns pi; right lowers azimuth, down raises elevation', () => {
    const a = anglesOf(go(frontView, { kind: 'orbit', dx: 250, dy: 100, mode: 'turntable' }).orientation);
    expect(a.azimuth).toBeCloseTo(-Math.PI / 4, 12);
    expect(a.elevation).toBeCloseTo(Math.PI / 10, 12);
    expect(anglesOf(go(frontView, { kind: 'orbit', dx: 0, dy: 900, mode: 'turntable' }).orientation).elevation).toBeCloseTo(Math.PI / 2, 12);
  });

  it('turn is named for the way the eye goes and passes the poles', () => {
    expect(eyeOf(go(frontView, { kind: 'turn', axis: 'right', angle: 0.5 }))[0]).toBeGreaterThan(0);
    expect(eyeOf(go(frontView, { kind: 'turn', axis: 'up', angle: 0.5 }))[2]).toBeGreaterThan(0);
    const over = go(frontView, { kind: 'turn', axis: 'up', angle: 2 });
    expect(eyeOf(over)[1]).toBeGreaterThan(0);
    expect(close(go(over, { kind: 'turn', axis: 'down', angle: 2 }), frontView)).toBe(true);
  });

  it('normalTo looks straight at the face', () => {
    fc.assert(
      fc.property(
        view,
        vec3(),
        vec3().filter((n) => Math.hypot(...n) > 0.1),
        (v, point, normal) => {
          const seen = go(v, { kind: 'normalTo', point, normal });
          const back = eyeOf({ ...seen, target: [0, 0, 0], distance: 1 });
          const l = Math.hypot(...normal);
          return back.every((x, i) => Math.abs(x - (normal[i] as number) / l) < 1e-9);
        },
      ),
    );
  });

  it('zoomRegion puts the middle of the rectangle in the middle and fills the tighter side', () => {
    const depth = 10;
    const seen = go(frontView, { kind: 'zoomRegion', u0: 0.1, v0: 0, u1: 0.3, v1: 0.2, depth });
    const corner = project(seen, pointAt(frontView, 0.3, 0.2, depth), 1.6);
    expect(corner.v).toBeCloseTo(0.5, 9);
    expect(corner.u).toBeCloseTo(0.5, 9);
    expect(seen.distance).toBeCloseTo(2, 9);
  });

  it('look and walk keep the eye and the eye’s height', () => {
    fc.assert(
      fc.property(view, (v) => {
        const a = eyeOf(v);
        const b = eyeOf(go(v, { kind: 'look', yaw: 0.4, pitch: -0.2 }));
        return Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]) < 1e-9 * Math.max(1, v.distance);
      }),
    );
    const walked = go(frontView, { kind: 'walk', forward: 2, right: 1, dt: 0.5, onGround: true });
    expect(eyeOf(walked)).toEqual([expect.closeTo(0.5), expect.closeTo(-9), expect.closeTo(0)]);
    expect(anglesOf(go(frontView, { kind: 'look', yaw: 0.3, pitch: 0.2 }).orientation)).toMatchObject({
      azimuth: expect.closeTo(0.3),
      elevation: expect.closeTo(-0.2),
    });
  });

  it('opposite goes to the other plan view and back', () => {
    const top = go(frontView, { kind: 'standard', name: 'top' });
    expect(anglesOf(go(top, { kind: 'opposite' }).orientation).elevation).toBeCloseTo(-Math.PI / 2, 12);
    expect(anglesOf(go(frontView, { kind: 'opposite' }).orientation).azimuth).toBeCloseTo(Math.PI, 12);
  });
});

describe('apply', () => {
  const start = initialScene(frontView);
  const scene = (commands: readonly [Command, number?][]): typeof start =>
    commands.reduce((s, [c, gesture]) => apply(s, c, { ...context, start, ...(gesture === undefined ? {} : { gesture }) }), start);
  const zoom: Command = { kind: 'zoom', factor: 2 };

  it('the commands of one gesture share a history entry; back and forward undo each other', () => {
    const s = scene([[zoom, 1], [zoom, 1], [{ kind: 'roll', angle: 1 }]]);
    expect(s.history.past).toHaveLength(2);
    const back = apply(s, { kind: 'back' }, context);
    expect(back.view.distance).toBe(2.5);
    expect(apply(back, { kind: 'forward' }, context).view).toEqual(s.view);
    expect(apply(start, { kind: 'back' }, context)).toBe(start);
  });

  it('cancel takes the running gesture back, with what forward held before it', () => {
    const undone = apply(scene([[zoom]]), { kind: 'back' }, context);
    const moved = apply(undone, zoom, { ...context, gesture: 9 });
    const cancelled = apply(moved, { kind: 'cancel' }, { ...context, gesture: 9 });
    expect(cancelled.view).toEqual(undone.view);
    expect(cancelled.history.future).toEqual(undone.history.future);
    expect(apply(scene([[zoom, 1]]), { kind: 'cancel' }, { ...context, gesture: 2 }).view.distance).toBe(5);
  });

  it('scene commands leave the view and the history; reset brings all of the start back', () => {
    const s = scene([
      [{ kind: 'section', plane: { normal: [0, 0, 1], offset: 1 } }],
      [{ kind: 'shiftSection', metres: 0.5 }],
      [{ kind: 'flipSection' }],
      [{ kind: 'style', style: 'wireframe' }],
      [{ kind: 'select', parts: ['a'] }],
    ]);
    expect(s.section).toEqual({ normal: [-0, -0, -1], offset: -1.5 });
    expect(s.history.past).toHaveLength(0);
    expect(s.view).toBe(start.view);
    const back = apply(apply(s, zoom, context), { kind: 'reset' }, { ...context, start });
    expect({ ...back, history: null }).toEqual({ ...start, history: null });
  });

  it('isolate hides the others and keeps what is above and below', () => {
    const parts = [
      { id: 'a', parent: null },
      { id: 'a/b', parent: 'a' },
      { id: 'a/b/c', parent: 'a/b' },
      { id: 'd', parent: null },
      { id: 'a/e', parent: 'a' },
    ];
    const s = apply(start, { kind: 'isolate', parts: ['a/b'] }, { ...context, parts });
    expect(s.visibility).toEqual({ d: 'hidden', 'a/e': 'hidden' });
    expect(effectiveVisibility(parts, { a: 'hidden' })).toEqual(['hidden', 'hidden', 'hidden', 'shown', 'hidden']);
    expect(effectiveVisibility(parts, { 'a/b': 'glass' })).toEqual(['shown', 'glass', 'glass', 'shown', 'shown']);
  });
});

describe('the command schema', () => {
  it.each([
    [{ kind: 'orbit', dx: Number.NaN, dy: 0, mode: 'turntable' }],
    [{ kind: 'orbit', dx: '1', dy: 0, mode: 'turntable' }],
    [{ kind: 'orbit', dx: 1, mode: 'turntable' }],
    [{ kind: 'zoom', factor: 0 }],
    [{ kind: 'zoom', factor: -1 }],
    [{ kind: 'zoom', factor: Number.POSITIVE_INFINITY }],
    [{ kind: 'normalTo', point: [0, 0, 0], normal: [0, 0, 0] }],
    [{ kind: 'section', plane: { normal: [0, 0, 0], offset: 1 } }],
    [{ kind: 'zoomRegion', u0: 0.2, v0: 0, u1: 0.1, v1: 1, depth: 1 }],
    [{ kind: 'standard', name: 'sideways' }],
    [{ kind: 'fly' }],
    [{ kind: 'fieldOfView', angle: Math.PI }],
    [null],
  ])('refuses %j', (garbage) => {
    expect(Command.safeParse(garbage).success).toBe(false);
  });

  it('takes every command that the generators make, and brings a plane to unit length', () => {
    fc.assert(fc.property(command, (c) => Command.safeParse(c).success));
    const parsed = Command.parse({ kind: 'section', plane: { normal: [0, 0, 2], offset: 3 } });
    expect(parsed).toEqual({ kind: 'section', plane: { normal: [0, 0, 1] satisfies Vec3, offset: 1.5 } });
  });
});

it('a zoom at the limit says so; on the way there it means something', () => {
  const s = initialScene({ ...frontView, distance: 1e-6 });
  expect(noEffectReason({ kind: 'zoom', factor: 2 }, s)).toMatch(/as near as/);
  expect(noEffectReason({ kind: 'zoom', factor: 0.5 }, s)).toBeNull();
  expect(noEffectReason({ kind: 'zoom', factor: 0.5 }, initialScene({ ...frontView, distance: 1e9 }))).toMatch(/as far as/);
});

describe('commandsToRecall', () => {
  const start = initialScene(frontView);
  const kept = {
    view: start.view,
    section: { normal: [0, 0, 1], offset: 1 } as const,
    visibility: { a: 'hidden', b: 'glass' } as const,
    style: 'outline' as const,
  };
  it('brings any view to any other by commands alone', () => {
    fc.assert(
      fc.property(view, view, (from, to) => {
        const end = commandsToRecall({ ...start, view: from }, { ...kept, view: to }).reduce((s, c) => apply(s, c, context), { ...start, view: from });
        const gap = Math.hypot(...end.view.target.map((x, i) => x - (to.target[i] as number)));
        const q = end.view.orientation.reduce((sum, x, i) => sum + x * (to.orientation[i] as number), 0);
        return (
          gap < 1e-9 &&
          Math.abs(Math.abs(q) - 1) < 1e-9 &&
          Math.abs(end.view.distance / to.distance - 1) < 1e-9 &&
          Math.abs(end.view.fovY - to.fovY) < 1e-12 &&
          end.view.projection === to.projection
        );
      }),
    );
  });

  it('brings cut, visibility and style, and does nothing when all is so already', () => {
    const before: Scene = { ...start, visibility: { c: 'hidden' } };
    const there = commandsToRecall(before, kept).reduce((s, c) => apply(s, c, context), before);
    expect(there).toMatchObject({ section: kept.section, visibility: kept.visibility, style: 'outline' });
    expect(there.visibility).not.toHaveProperty('c');
    expect(commandsToRecall(there, kept)).toEqual([]);
    expect(commandsToRecall(there, { ...kept, section: null }).map((c) => c.kind)).toEqual(['section']);
  });
});
