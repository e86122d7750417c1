import fc from 'fast-check';
import { normalise, type Quat, type Vec3 } from '../math';
import type { Command } from '../navigation';
import { STANDARD_NAMES, type View } from '../view';

/** Generators of valid inputs for property tests. */
const number = (min: number, max: number): fc.Arbitrary<number> => fc.double({ min, max, noNaN: true, noDefaultInfinity: true });

export const vec3 = (size = 100): fc.Arbitrary<Vec3> => fc.tuple(number(-size, size), number(-size, size), number(-size, size));

export const quat: fc.Arbitrary<Quat> = fc
  .tuple(number(-1, 1), number(-1, 1), number(-1, 1), number(-1, 1))
  .filter((q) => q[0] ** 2 + q[1] ** 2 + q[2] ** 2 + q[3] ** 2 > 0.01)
  .map((q) => normalise(q));

export const view: fc.Arbitrary<View> = fc.record({
  target: vec3(),
  orientation: quat,
  distance: number(0.1, 100),
  projection: fc.constantFrom('perspective', 'orthographic'),
  fovY: number(0.2, 1.5),
});

export const perspectiveView: fc.Arbitrary<View> = view.map((v) => ({ ...v, projection: 'perspective' as const }));

const px = number(-2000, 2000);

export const command: fc.Arbitrary<Command> = fc.oneof(
  fc.record({ kind: fc.constant('orbit' as const), dx: px, dy: px, pivot: vec3(), mode: fc.constantFrom('turntable', 'trackball') }),
  fc.record({ kind: fc.constant('turn' as const), axis: fc.constantFrom('left', 'right', 'up', 'down'), angle: number(-7, 7) }),
  fc.record({ kind: fc.constant('roll' as const), angle: number(-7, 7) }),
  fc.record({ kind: fc.constant('pan' as const), dx: px, dy: px, depth: number(0.1, 100) }),
  fc.record({
    kind: fc.constant('zoom' as const),
    factor: number(1e-3, 1e3),
    at: fc.record({ u: number(-0.8, 0.8), v: number(-0.5, 0.5), depth: number(0.1, 100) }),
  }),
  fc.record({ kind: fc.constant('dolly' as const), metres: number(-100, 100) }),
  fc.record({ kind: fc.constant('lookAt' as const), point: vec3() }),
  fc.record({ kind: fc.constant('standard' as const), name: fc.constantFrom(...STANDARD_NAMES) }),
  fc.constant({ kind: 'opposite' as const }),
  fc.constant({ kind: 'snap' as const }),
  fc.constant({ kind: 'level' as const, verticals: true }),
  fc.record({ kind: fc.constant('normalTo' as const), point: vec3(), normal: vec3().filter((v) => Math.hypot(...v) > 0.01) }),
  fc.record({ kind: fc.constant('look' as const), yaw: number(-4, 4), pitch: number(-4, 4) }),
  fc.record({ kind: fc.constant('walk' as const), forward: number(-5, 5), right: number(-5, 5), dt: number(0, 1), onGround: fc.boolean() }),
  fc.record({ kind: fc.constant('fieldOfView' as const), angle: number(0.1, 2.5) }),
  fc.record({ kind: fc.constant('projection' as const), projection: fc.constantFrom('perspective', 'orthographic') }),
);
