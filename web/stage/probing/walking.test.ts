import { apply, type Command, commandsToStand, initialScene, type Scene } from '@core/navigation';
import { boxes } from '@core/tests/meshes';
import { eyeOf, FRAME, orientationFrom } from '@core/view';
import { STEP_ANGLE, STEPS, STOREY, tower } from '@demo/models';
import { describe, expect, it } from 'vitest';
import { prepared } from '../tests/prepared';
import { createCaster } from './picking';
import { riseStep, standingPlace, walkSteps } from './walking';

const context = { frame: FRAME };
const front = initialScene({
  target: [0, 0, 1],
  orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
  distance: 2,
  projection: 'perspective',
  fovY: 1,
});
const standing = (at: readonly [number, number, number], height = 1.6): Scene =>
  commandsToStand(front.view, at, height).reduce((scene, command) => apply(scene, command, context), front);
const solid = { onFloor: true, walls: true, ground: 0 };

const room = boxes([
  { id: 'floor', min: [-5, -5, -0.2], max: [5, 5, 0] },
  { id: 'step', min: [-1, 1, 0], max: [1, 2, 0.4] },
  { id: 'block', min: [-1, 2, 0], max: [1, 3, 1.0] },
  { id: 'wall', min: [2, -5, 0], max: [2.2, 5, 3] },
]);
const cast = createCaster(prepared(room));

/** Walks `metres` in pieces of 5 cm, forward and to the right in these shares. */
function go(scene: Scene, forward: number, right: number, metres: number, how = solid): Scene {
  for (let i = 0; i < metres / 0.05 - 1e-9; i++) {
    const wish = { kind: 'walk' as const, forward: forward * 0.05, right: right * 0.05, dt: 1, onGround: true };
    scene = walkSteps(cast, scene, wish, how).reduce((s: Scene, c: Command) => apply(s, c, context), scene);
  }
  return scene;
}

describe('walking', () => {
  it('goes level on the floor and up a low step, and stops before a high one', () => {
    const flat = go(standing([0, 0, 0]), 1, 0, 0.5);
    expect(eyeOf(flat.view)).toEqual([expect.closeTo(0), expect.closeTo(0.5), expect.closeTo(1.6)]);
    const up = go(flat, 1, 0, 0.8);
    expect(eyeOf(up.view)[2]).toBeCloseTo(2.0, 6);
    const before = go(up, 1, 0, 3);
    expect(eyeOf(before.view)[1]).toBeLessThan(2);
    expect(eyeOf(before.view)[2]).toBeCloseTo(2.0, 6);
  });

  it('goes along a wall that it meets aslant, and through it when walls are not solid', () => {
    const along = go(standing([0, 0, 0]), 0.6, 0.8, 3.5);
    expect(eyeOf(along.view)[0]).toBeLessThan(1.8);
    expect(eyeOf(along.view)[0]).toBeGreaterThan(1.5);
    expect(eyeOf(along.view)[1]).toBeGreaterThan(1.5);
    const through = go(standing([0, -2, 0]), 0, 1, 3, { ...solid, walls: false });
    expect(eyeOf(through.view)[0]).toBeCloseTo(3, 6);
  });

  it('does not step off an edge, unless nothing is solid: then it comes down on what is there', () => {
    const top = standing([0, 2.5, 1]);
    expect(eyeOf(go(top, -1, 0, 3).view)[1]).toBeGreaterThan(2);
    const down = go(top, 0, -1, 2, { ...solid, walls: false });
    expect(eyeOf(down.view)).toEqual([expect.closeTo(-2), expect.closeTo(2.5), expect.closeTo(1.6)]);
  });

  it('flying keeps the way of the gaze and stays above the ground', () => {
    const flying = { onFloor: false, walls: false, ground: 0 };
    const [walk] = walkSteps(cast, standing([0, 0, 0]), { kind: 'walk', forward: 1, right: 0, dt: 0.1, onGround: true }, flying);
    expect(walk).toMatchObject({ kind: 'walk', onGround: false, forward: 1 });
    expect(riseStep(cast, standing([0, 0, 0]), -5, flying)).toEqual({ kind: 'rise', metres: expect.closeTo(-1.5) });
    expect(riseStep(cast, standing([0, 1.5, 0.4]), -5, solid)).toEqual({ kind: 'rise', metres: expect.closeTo(-1.5) });
    expect(riseStep(cast, standing([0, 0, 0], 0.1), -1, solid)).toBeNull();
  });

  it('stands on the floor that is pointed at, or below a wall that is', () => {
    expect(standingPlace(cast, front, [0, 1.5, 0.4], [0, 0, 1], 0)).toEqual([0, 1.5, 0.4]);
    expect(standingPlace(cast, front, [2, 0, 2], [-1, 0, 0], 0)).toEqual([1.6, 0, 0]);
  });

  it('walks up the whole stair of the tower, a storey, with the eye at its height over every step', () => {
    const house = createCaster(prepared(tower()));
    const r = 1.95;
    let scene = standing([r * Math.cos(-0.1), r * Math.sin(-0.1), 0]);
    const turns = (STEPS * STEP_ANGLE + 0.25) / 0.02;
    for (let i = 0; i < turns; i++) {
      // Along the stair: to the tangent of the circle on which one stands.
      const eye = eyeOf(scene.view);
      const a = Math.atan2(eye[1], eye[0]);
      const [dx, dy] = [r * (Math.cos(a + 0.02) - Math.cos(a)), r * (Math.sin(a + 0.02) - Math.sin(a))];
      // The gaze is along +Y: forward is y, right is x.
      const commands = walkSteps(house, scene, { kind: 'walk', forward: dy, right: dx, dt: 1, onGround: true }, { ...solid, ground: -0.4 });
      scene = commands.reduce((s: Scene, c: Command) => apply(s, c, context), scene);
    }
    expect(eyeOf(scene.view)[2]).toBeCloseTo(STOREY + 1.6, 6);
  });
});
