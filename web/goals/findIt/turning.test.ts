import type { Placed } from '@core/geometry';
import { FRAME_ASPECT, project, standardOrientation, type View } from '@core/view';
import { describe, expect, it } from 'vitest';
import { draggedSize, draggedTurn, knobOf, type Ring, type Spot, type Turned, turnFrom, turnsOf } from './turning';

const object: Placed = { shape: 'cube', point: [0.2, -0.1, 0.4], turn: [0, 0, 0, 1], size: 0.1 };
const viewOf = (name: Parameters<typeof standardOrientation>[0]): View => ({
  target: object.point,
  orientation: standardOrientation(name),
  distance: 2,
  fovY: 0.5,
  projection: 'orthographic',
});
const oblique = viewOf('top-front-right');
const spot = (view: View, ring: Ring, turned: Turned): Spot => project(view, knobOf(ring, object, turned, view), FRAME_ASPECT);

describe('turning a placed object by its rings', () => {
  it('reads back what it wrote', () => {
    for (const turned of [
      { round: 0, over: 0 },
      { round: 35, over: 0 },
      { round: -120, over: 40 },
      { round: 60, over: -75.5 },
    ]) {
      const read = turnsOf(turnFrom(turned));
      expect(read.round).toBeCloseTo(turned.round, 1);
      expect(read.over).toBeCloseTo(turned.over, 1);
    }
  });

  it.each([
    ['round', 'top-front-right', 50],
    ['round', 'top-front-right', -170],
    ['over', 'top-front-right', 30],
    ['round', 'top', 80],
    ['round', 'bottom', 80],
    ['over', 'right', -60],
  ] as const)('the knob of “%s” follows the hand, seen from %s by %d°', (ring, name, by) => {
    const view = viewOf(name);
    const turned = { round: 20, over: 10 };
    const to = { ...turned, [ring]: turned[ring] + by };
    expect(draggedTurn(ring, object, turned, view, spot(view, ring, turned), spot(view, ring, to))).toBeCloseTo(by, 3);
  });

  it.each(['front', 'rear', 'left', 'right'] as const)('from its edge, from the %s, the near side goes with the hand', (name) => {
    const view = viewOf(name);
    const turned = { round: { front: -90, rear: 90, left: 180, right: 0 }[name], over: 0 };
    const by = draggedTurn('round', object, turned, view, spot(view, 'round', turned), spot(view, 'round', { ...turned, round: turned.round + 4 }));
    expect(by).toBeGreaterThan(3);
    expect(by).toBeLessThan(5);
  });

  it('grows with the distance of the hand from its middle, and never to nothing', () => {
    const [from, twice] = [
      { u: 0.1, v: 0 },
      { u: 0, v: 0.2 },
    ];
    expect(draggedSize(object, oblique, from, twice)).toBeCloseTo(0.2, 6);
    expect(draggedSize(object, oblique, from, { u: 0, v: 0 })).toBeGreaterThan(0);
  });
});
