import type { Landmark } from '@core/exercise';
import { boxOf, partContours } from '@core/geometry';
import { dot, sub, type Vec3 } from '@core/math';
import { contextFor } from '@core/model';
import { navigate } from '@core/navigation';
import { view as anyView } from '@core/tests/arbitraries';
import { boxes } from '@core/tests/meshes';
import { crate, start } from '@core/tests/practice';
import { FRAME, type View } from '@core/view';
import { drive } from '@demo/models';
import fc from 'fast-check';
import { renderToStaticMarkup } from 'react-dom/server';
import { Matrix4, PerspectiveCamera, Vector3 } from 'three';
import { describe, expect, it } from 'vitest';
import { createPlaneSearch, makeCaps } from '../workers/makeCaps';
import { prepareFirst, prepareMesh, refineMesh } from '../workers/prepareMesh';
import { createAids, roundSpacing } from './aids';
import { together } from './devices/heldKeys';
import { degreesWritten } from './dial/DialFigure';
import { frustumPlanes, visibleRuns } from './drawing/culling';
import { gridFrame, gridLines } from './drawing/grid';
import { heightWritten } from './marks/EyeRule';
import { GridMarks, lengthWords } from './marks/GridMarks';
import { landmarkPlates, platesOf, readable } from './marks/Nameplates';
import { paneAt, panesOf } from './panes';
import { createCaster } from './probing/picking';
import { createProbes } from './probing/probes';
import { createRecorder } from './recorder';
import { prepared } from './tests/prepared';

describe('the grid', () => {
  it('has a round spacing that divides the model into about ten', () => {
    fc.assert(
      fc.property(fc.double({ min: 1e-4, max: 1e4, noNaN: true }), (size) => {
        const spacing = roundSpacing(size);
        const share = spacing / 10 ** Math.floor(Math.log10(spacing) + 1e-9);
        return [1, 2, 5].some((x) => Math.abs(share - x) < 1e-6) && size / spacing > 5 && size / spacing < 20;
      }),
    );
    expect([lengthWords(0.05), lengthWords(2), lengthWords(0.004), lengthWords(1500)]).toEqual(['5 cm', '2 m', '4 mm', '1.5 km']);
  });

  it('lies on the ground with its axes along the world, or on the picked face', () => {
    const level = gridFrame({ point: [0, 0, 0], normal: [0, 0, 1], spacing: 0.5 }, crate.mesh);
    expect(level).toMatchObject({ x: [1, 0, 0], y: [0, 1, 0], letters: ['X', 'Y'] });
    const box = boxOf(crate.mesh) as { min: Vec3; max: Vec3 };
    expect(level.reach[1]).toBeGreaterThan(box.max[0]);
    const { positions } = gridLines({ point: [0, -0.6, 0.5], normal: [0, -1, 0], spacing: 0.5 }, crate.mesh);
    for (let i = 1; i < positions.length; i += 3) expect(positions[i]).toBeCloseTo(-0.6, 6);
  });

  it('is turned on by one key, on the picked face if there is one, and says its spacing', () => {
    const picked = { ...start, selection: { parts: ['crate'], point: [0.2, -0.6, 0.5] as Vec3, normal: [0, -1, 0] as Vec3 } };
    const session = createRecorder({ start: picked, context: contextFor(crate, picked), allowed: [] });
    const aids = createAids(session, createProbes(prepared(crate.mesh)));
    aids.toggle('grid', null);
    expect(aids.getState().grid).toEqual({ point: [0.2, -0.6, 0.5], normal: [0, -1, 0], spacing: 0.2 });
    expect(renderToStaticMarkup(<GridMarks grid={aids.getState().grid as never} mesh={crate.mesh} view={start.view} />)).toContain('20 cm a line');
    aids.toggle('grid', null);
    expect(aids.getState().grid).toBeNull();
    expect(session.moves).toEqual([]);
  });
});

describe('nameplates', () => {
  const mesh = boxes([
    { id: 'all', min: [-0.1, -0.1, -0.1], max: [0.1, 0.1, 0.1] },
    { id: 'near', min: [-1, -3, -1], max: [1, -2, 1], parent: 'all' },
    { id: 'far', min: [-0.5, 2, -0.5], max: [0.5, 3, 0.5], parent: 'all' },
    { id: 'side', min: [3, -0.5, -0.5], max: [4, 0.5, 0.5], parent: 'all' },
  ]);
  const cast = createCaster(prepared(mesh));
  const plates = platesOf(mesh);
  const from = (name: 'front' | 'rear') => ({
    ...start,
    view: { ...navigate(start.view, { kind: 'standard', name }, { frame: FRAME }), target: [0, 0, 0] as Vec3, distance: 20 },
  });
  const names = (scene: typeof start) => readable(plates, mesh, scene, cast).map((p) => p.name);

  it('hang on the outside of their part, and are read only from the side they look to', () => {
    expect(plates.find((p) => p.name === 'near')).toMatchObject({ point: [expect.closeTo(-0.3), expect.closeTo(-3), expect.closeTo(0)] });
    expect(names(from('front')).sort()).toEqual(['near']);
    expect(names(from('rear'))).toEqual(['far']);
  });

  it('are away when their part is hidden or something stands before them', () => {
    expect(names({ ...from('front'), visibility: { near: 'hidden' } })).toEqual([]);
    const behind = { ...from('front'), view: { ...from('front').view, target: [3.5, 0, 0] as Vec3 } };
    for (const plate of readable(plates, mesh, behind, cast)) expect(dot(plate.normal as Vec3, sub([3.5, -20, 0], plate.point))).toBeGreaterThan(0);
  });
});

describe('landmark labels', () => {
  const mesh = boxes([
    { id: 'all', min: [-0.1, -0.1, -0.1], max: [0.1, 0.1, 0.1] },
    { id: 'board', min: [-1, -3, -1], max: [1, -2, 1], parent: 'all' },
  ]);
  const cast = createCaster(prepared(mesh));
  const mark = (kind: Landmark['kind'], part = 'board') => ({ id: kind, name: kind, kind, part, point: [0.5, -3, 0.5] as Vec3, normal: [0, -1, 0] as Vec3 });
  const from = (azimuth: number, scene = start) => {
    const view = navigate(start.view, { kind: 'standard', name: 'front' }, { frame: FRAME });
    return {
      ...scene,
      view: { ...navigate(view, { kind: 'turn', axis: 'right', angle: azimuth }, { frame: FRAME }), target: [0, 0, 0] as Vec3, distance: 20 },
    };
  };
  const seen = (kind: Landmark['kind'], scene: typeof start) => readable(landmarkPlates(mesh, [mark(kind)]), mesh, scene, cast).length === 1;

  it('of a face are read from the side that it looks to, of a point from everywhere that nothing hides it', () => {
    const edge = { ...mark('point'), point: [1, -3, 0.5] as Vec3 };
    const side = from(1.7);
    expect(seen('face', from(0))).toBe(true);
    expect(seen('face', from(Math.PI))).toBe(false);
    expect(seen('point', from(0))).toBe(true);
    expect(seen('point', from(Math.PI))).toBe(false);
    expect(readable(landmarkPlates(mesh, [edge]), mesh, side, cast)).toHaveLength(1);
    expect(readable(landmarkPlates(mesh, [{ ...edge, kind: 'face' }]), mesh, side, cast)).toHaveLength(0);
  });

  it('go with their part: hidden with it, gone when the model has no such part', () => {
    expect(seen('face', from(0, { ...start, visibility: { board: 'hidden' } }))).toBe(false);
    expect(landmarkPlates(mesh, [mark('face', 'no such part')])).toEqual([]);
  });

  it('come before nameplates where there is not room for both', () => {
    const at = platesOf(mesh).find((plate) => plate.id === 'board')?.point as Vec3;
    const both = [...platesOf(mesh), ...landmarkPlates(mesh, [{ ...mark('point'), point: at }])];
    expect(readable(both, mesh, from(0), cast).map((plate) => plate.kind)).toEqual(['landmark']);
  });
});

describe('leaving out what a camera does not see', () => {
  const cameraOf = (view: View): PerspectiveCamera => {
    const camera = new PerspectiveCamera((view.fovY * 180) / Math.PI, 1.6, 0.01, 1000);
    camera.position.set(...(navigateEye(view) as [number, number, number]));
    camera.quaternion.set(...view.orientation);
    camera.updateMatrixWorld(true);
    return camera;
  };
  const navigateEye = (view: View): Vec3 => {
    const v = new Vector3(0, 0, view.distance).applyQuaternion({
      x: view.orientation[0],
      y: view.orientation[1],
      z: view.orientation[2],
      w: view.orientation[3],
    } as never);
    return [view.target[0] + v.x, view.target[1] + v.y, view.target[2] + v.z];
  };

  it('never drops a part with a point in the picture, and joins neighbours', () => {
    const point = fc.tuple(
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.double({ min: -50, max: 50, noNaN: true }),
      fc.double({ min: -50, max: 50, noNaN: true }),
    );
    fc.assert(
      fc.property(anyView, fc.array(point, { minLength: 1, maxLength: 12 }), (view, points) => {
        const camera = cameraOf(view);
        const planes = frustumPlanes(new Matrix4().multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse));
        const bounds = new Float32Array(points.flatMap((p) => [...p, 0.01]));
        const runs = visibleRuns({ starts: points.map((_, i) => i * 3), counts: points.map(() => 3), bounds }, planes);
        const drawn = (i: number): boolean => runs.some((run) => run.start <= i * 3 && i * 3 < run.start + run.count);
        return points.every((p, i) => {
          const seen = new Vector3(...p).project(camera);
          const inside = Math.abs(seen.x) < 1 && Math.abs(seen.y) < 1 && Math.abs(seen.z) < 1;
          return !inside || drawn(i);
        });
      }),
    );
    const planes = frustumPlanes(new Matrix4().makePerspective(-1, 1, 1, -1, 1, 100));
    const bounds = new Float32Array([0, 0, -5, 1, 0, 0, -6, 1, 0, 0, 50, 1, 0, 0, -7, 1]);
    expect(visibleRuns({ starts: [0, 3, 6, 9], counts: [3, 3, 3, 3], bounds }, planes)).toEqual([
      { start: 0, count: 6 },
      { start: 9, count: 3 },
    ]);
  });
});

describe('the cut faces', () => {
  it('are the same with the triangles that the search tree finds as with all', () => {
    const mesh = drive();
    const crossing = createPlaneSearch(mesh, prepared(mesh).bvh);
    const all = [...mesh.parts.keys()];
    for (const plane of [
      { normal: [0, -1, 0] as Vec3, offset: 0.22 },
      { normal: [0.6, 0, 0.8] as Vec3, offset: 0.31 },
      { normal: [0, 0, 1] as Vec3, offset: 0.04 },
    ]) {
      const candidates = crossing(plane);
      expect(candidates.length).toBeLessThan(mesh.indices.length / 3 / 2);
      expect(partContours(mesh, plane, candidates)).toEqual(partContours(mesh, plane));
      expect(makeCaps(mesh, plane, all, candidates)).toEqual(makeCaps(mesh, plane, all));
    }
  });

  it('cover the material, holes left out: area of the triangles is the area told', () => {
    const mesh = boxes([
      { id: 'a', min: [0, 0, 0], max: [3, 2, 1] },
      { id: 'b', min: [5, 0, 0], max: [6, 1, 1] },
    ]);
    const caps = makeCaps(mesh, { normal: [0, 0, 1], offset: 0.5 }, [0, 1]);
    let area = 0;
    for (let i = 0; i < caps.positions.length; i += 9) {
      const [a, b, c] = [0, 3, 6].map((k) => new Vector3(...(caps.positions.slice(i + k, i + k + 3) as unknown as [number, number, number])));
      area +=
        (b as Vector3)
          .clone()
          .sub(a as Vector3)
          .cross((c as Vector3).clone().sub(a as Vector3))
          .length() / 2;
    }
    expect(area).toBeCloseTo(7, 6);
    expect(caps).toMatchObject({ area: expect.closeTo(7, 4), perimeter: expect.closeTo(14, 6) });
  });
});

it('a large model drawn first and refined later is the model prepared at once', () => {
  const mesh = drive();
  const first = prepareFirst(mesh);
  const whole = prepareMesh(mesh);
  expect({ ...first, ...refineMesh(mesh) }).toEqual(whole);
  expect(first.edges).toHaveLength(0);
  expect(first.normals).toHaveLength(whole.normals.length);
  expect(whole.edgeStarts.at(-1)).toBe(whole.edges.length / 3);
});

it('held keys add up to one command of each kind', () => {
  const walk = { kind: 'walk' as const, forward: 1.4, right: 0, dt: 0.02, onGround: true };
  expect(
    together([walk, { ...walk, forward: 0, right: -1.4 }, { kind: 'rise', metres: 0.1 }, { kind: 'rise', metres: -0.1 }, { kind: 'look', yaw: 0.1, pitch: 0 }]),
  ).toEqual([
    { ...walk, forward: 1.4, right: -1.4 },
    { kind: 'look', yaw: 0.1, pitch: 0 },
  ]);
});

it('panes are found by their place, one or four', () => {
  expect(paneAt(panesOf(false, null), 0.9, 0.1).name).toBe('free');
  expect([paneAt(panesOf(true, null), 0.1, 0.1).name, paneAt(panesOf(true, null), 0.9, 0.1).name, paneAt(panesOf(true, null), 0.1, 0.9).name]).toEqual([
    'top',
    'free',
    'front',
  ]);
  expect(panesOf(true, 'right')).toEqual([{ name: 'right', x: 0, y: 0, size: 1 }]);
});

it('heights and angles are read as people write them, and nonsense is not', () => {
  expect(['1,25', ' 1.6 ', '0', '-1', 'high', ''].map(heightWritten)).toEqual([1.25, 1.6, null, null, null, null]);
  expect(['12,5°', '-90', '400', '-190', '180', 'north', ''].map(degreesWritten)).toEqual([12.5, -90, 40, 170, 180, null, null]);
});
