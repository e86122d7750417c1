import type { Mesh } from '@core/geometry';
import { dot, sub } from '@core/math';
import { subjectOf } from '@core/model';
import { initialScene, type Scene } from '@core/navigation';
import { boxes } from '@core/tests/meshes';
import { crate, start } from '@core/tests/practice';
import { orientationFrom, project, type View } from '@core/view';
import { describe, expect, it } from 'vitest';
import { isLost } from '../panels/LostNote';
import { matching } from '../panels/PartsPanel';
import { prepared } from '../tests/prepared';
import { createCaster, pickerOf } from './picking';

const front: View = {
  target: [0, 0, 0.5],
  orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
  distance: 6,
  projection: 'perspective',
  fovY: 0.8,
};
const row = boxes([
  { id: 'near', min: [-1, -2, 0], max: [1, -1.5, 1] },
  { id: 'middle', min: [-1, -0.5, 0], max: [1, 0, 1] },
  { id: 'far', min: [-1, 1, 0], max: [1, 1.5, 1] },
]);
const createPicker = (mesh: Mesh) => pickerOf(createCaster(prepared(mesh)));
const pick = createPicker(row);
const scene = (change: Partial<Scene> = {}): Scene => ({ ...initialScene(front), ...change });

describe('picking', () => {
  it('finds the nearest face with its point, normal, part and depth', () => {
    const found = pick(scene(), 0, 0);
    expect(found).toMatchObject({ part: 'near', point: [expect.closeTo(0), expect.closeTo(-2), expect.closeTo(0.5)], depth: expect.closeTo(4) });
    expect(Math.abs(found?.normal[1] ?? 0)).toBeCloseTo(1, 9);
    expect(pick(scene(), 0.79, 0.45)).toBeNull();
  });

  it('the point found is where the pointer is, in both projections', () => {
    for (const projection of ['perspective', 'orthographic'] as const) {
      const view = { ...front, projection, orientation: orientationFrom({ azimuth: 0.4, elevation: 0.3, roll: 0.1 }) };
      const found = pick(scene({ view }), 0.05, -0.03);
      if (!found) throw new Error('something is there');
      const p = project(view, found.point, 1.6);
      expect(p.u).toBeCloseTo(0.05, 5);
      expect(p.v).toBeCloseTo(-0.03, 5);
      expect(p.depth).toBeCloseTo(found.depth, 5);
    }
  });

  it('goes through what is hidden, cut away or glass; glass only where nothing else is', () => {
    expect(pick(scene({ visibility: { near: 'hidden' } }), 0, 0)?.part).toBe('middle');
    expect(pick(scene({ visibility: { near: 'glass' } }), 0, 0)?.part).toBe('middle');
    expect(pick(scene({ visibility: { near: 'glass', middle: 'hidden', far: 'hidden' } }), 0, 0)?.part).toBe('near');
    const cut = pick(scene({ section: { normal: [0, -1, 0], offset: 0.2 } }), 0, 0);
    expect(cut?.part).toBe('middle');
    expect(cut?.point[1]).toBeCloseTo(0, 6);
    expect(pick(scene({ section: { normal: [0, -1, 0], offset: -2 } }), 0, 0)).toBeNull();
  });

  it('does not find what lies behind the eye', () => {
    expect(pick(scene({ view: { ...front, target: [0, 20, 0.5] } }), 0, 0)).toBeNull();
  });
});

describe('being lost', () => {
  const seen = createPicker(crate.mesh);
  const hull = subjectOf(crate.mesh, []);
  const at = (view: Partial<View>): boolean => isLost({ ...start, view: { ...start.view, ...view } }, hull, seen);

  it('is nothing of the model in the frame', () => {
    expect(at({})).toBe(false);
    expect(at({ target: [40, 0, 0] })).toBe(true);
    expect(at({ orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }), target: [0, 30, 0] })).toBe(true);
  });

  it('is not a face that fills the frame, but a speck that cannot be found', () => {
    const close = { orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }), target: [0.5, -0.6, 0.3] as const, distance: 0.2 };
    expect(at(close)).toBe(false);
    expect(hull.every((p) => Math.abs(dot(sub(p, close.target), [1, 0, 0])) > 0.06)).toBe(true);
    expect(at({ distance: 20 })).toBe(false);
    expect(at({ distance: 4000 })).toBe(true);
  });
});

describe('finding parts by name', () => {
  const part = (id: string, parent: string | null) => ({ id, name: id.split('/').at(-1) ?? id, start: 0, count: 3, parent });
  const tree = [
    part('drive', null),
    part('drive/case', 'drive'),
    part('drive/case/Left door', 'drive/case'),
    part('drive/train', 'drive'),
    part('drive/train/escape wheel', 'drive/train'),
  ];

  it('keeps what is above, takes any letter case, and gives all without words', () => {
    expect(matching(tree, 'left').map((p) => p.id)).toEqual(['drive', 'drive/case', 'drive/case/Left door']);
    expect(matching(tree, ' WHEEL ').map((p) => p.id)).toEqual(['drive', 'drive/train', 'drive/train/escape wheel']);
    expect(matching(tree, '')).toHaveLength(5);
    expect(matching(tree, 'anchor')).toEqual([]);
  });
});
