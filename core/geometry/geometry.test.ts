import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { backOf, cross, dot, rotate, sub, type Vec3 } from '../math';
import { initialScene } from '../navigation';
import { quat, vec3 } from '../tests/arbitraries';
import { boxes, cube } from '../tests/meshes';
import { fit, orientationFrom, project, type View } from '../view';
import { drawIds } from './drawIds';
import type { Mesh } from './mesh';
import { boxOf, partsUnder } from './mesh';
import { partsInBox } from './partsInBox';
import { planeAxes } from './plane';
import { partContours, sectionContours, signedArea2 } from './sectionContours';
import { sectionArea, sectionOverlap } from './sectionOverlap';
import { hullPoints, subjectPoints } from './subjectPoints';

const view = (azimuth: number, elevation: number, distance: number, projection: View['projection'] = 'perspective'): View => ({
  target: [0, 0, 0],
  orientation: orientationFrom({ azimuth, elevation, roll: 0 }),
  distance,
  projection,
  fovY: 1,
});
const plane = (normal: Vec3, offset: number): { normal: Vec3; offset: number } => ({ normal, offset });

describe('parts and boxes', () => {
  it('a part takes what is under it along', () => {
    const mesh = boxes([
      { id: 'a', min: [0, 0, 0], max: [1, 1, 1] },
      { id: 'b', min: [2, 0, 0], max: [3, 1, 1], parent: 'a' },
      { id: 'c', min: [9, 9, 9], max: [10, 10, 10] },
    ]);
    expect([...partsUnder(mesh, ['a'])]).toEqual([0, 1]);
    expect(boxOf(mesh, partsUnder(mesh, ['a']))).toEqual({ min: [0, 0, 0], max: [3, 1, 1] });
    expect(boxOf({ ...mesh, parts: [] })).toBeNull();
  });
});

describe('subjectPoints', () => {
  it('of a cube with points inside and on its faces are its eight corners in index order', () => {
    const inside: Vec3[] = [
      [0, 0, 0],
      [0.5, 0.5, 1],
      [1, 0, 0],
    ];
    const corners = subjectPoints(cube(), []);
    expect(hullPoints([...inside.slice(0, 1), ...corners])).toEqual(corners);
    expect(corners).toHaveLength(8);
  });

  it('reach as far as all points in every direction', () => {
    const cloud = fc.array(vec3(3), { minLength: 1, maxLength: 60 });
    const flat = cloud.map((list) => list.map((p): Vec3 => [p[0], p[1], 0.5]));
    const line = cloud.map((list) => list.map((p): Vec3 => [p[0], p[0] * 2, -p[0]]));
    fc.assert(
      fc.property(fc.oneof(cloud, flat, line), quat, (list, q) => {
        const d = backOf(q);
        const reach = (points: readonly Vec3[]): number => Math.max(...points.map((p) => dot(p, d)));
        return Math.abs(reach(hullPoints(list)) - reach(list)) < 1e-7;
      }),
      { numRuns: 400 },
    );
  });

  it('of a flat square are its outline, of a line its ends, of one place one point', () => {
    const square: Vec3[] = [
      [0, 0, 0],
      [1, 0, 0],
      [0.5, 0.5, 0],
      [1, 1, 0],
      [0, 1, 0],
    ];
    expect(hullPoints(square)).toHaveLength(4);
    expect(
      hullPoints([
        [0, 0, 0],
        [1, 1, 1],
        [3, 3, 3],
        [2, 2, 2],
      ]),
    ).toEqual([
      [0, 0, 0],
      [3, 3, 3],
    ]);
    expect(
      hullPoints([
        [1, 2, 3],
        [1, 2, 3],
        [1, 2, 3],
        [1, 2, 3],
      ]),
    ).toEqual([[1, 2, 3]]);
  });
});

/** The slow twin of drawIds: one ray a pixel against every triangle (Möller & Trumbore 1997). */
function castIds(mesh: Mesh, v: View, width: number, height: number): { ids: number[]; sure: boolean[] } {
  const ids: number[] = [];
  const sure: boolean[] = [];
  const t = Math.tan(v.fovY / 2);
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const u = (x + 0.5 - width / 2) / height;
      const w = (height / 2 - y - 0.5) / height;
      const eye = [
        v.target[0] + backOf(v.orientation)[0] * v.distance,
        v.target[1] + backOf(v.orientation)[1] * v.distance,
        v.target[2] + backOf(v.orientation)[2] * v.distance,
      ] as Vec3;
      const d = rotate(v.orientation, [u * 2 * t, w * 2 * t, -1]);
      let best = Number.POSITIVE_INFINITY;
      let id = 0;
      let edge = 1;
      mesh.parts.forEach((part, number) => {
        for (let i = part.start; i < part.start + part.count; i += 3) {
          const p = (k: number): Vec3 => {
            const c = (mesh.indices[i + k] as number) * 3;
            return [mesh.positions[c] as number, mesh.positions[c + 1] as number, mesh.positions[c + 2] as number];
          };
          const e1 = sub(p(1), p(0));
          const e2 = sub(p(2), p(0));
          const h = cross(d, e2);
          const a = dot(e1, h);
          if (Math.abs(a) < 1e-12) continue;
          const s = sub(eye, p(0));
          const bu = dot(s, h) / a;
          const q = cross(s, e1);
          const bv = dot(d, q) / a;
          const depth = dot(e2, q) / a;
          if (depth <= 0) continue;
          edge = Math.min(edge, Math.abs(bu), Math.abs(bv), Math.abs(1 - bu - bv));
          if (bu < 0 || bv < 0 || bu + bv > 1) continue;
          if (depth < best) {
            best = depth;
            id = number + 1;
          }
        }
      });
      ids.push(id);
      sure.push(edge > 1e-6);
    }
  }
  return { ids, sure };
}

describe('drawIds', () => {
  const pair = boxes([
    { id: 'near', min: [-1, -2, -1], max: [0.2, -1, 1] },
    { id: 'far', min: [-1, 1, -1], max: [1, 2, 1] },
  ]);

  it('agrees with a ray a pixel', () => {
    fc.assert(
      fc.property(quat, fc.double({ min: 2.5, max: 9, noNaN: true }), (orientation, distance) => {
        const v: View = { target: [0, 0, 0], orientation, distance, projection: 'perspective', fovY: 1 };
        const fast = drawIds(pair, initialScene(v), 32, 20);
        const { ids, sure } = castIds(pair, v, 32, 20);
        return ids.every((id, i) => !sure[i] || fast[i] === id);
      }),
      { numRuns: 60 },
    );
  });

  it('counts the pixels of a square worked out by hand', () => {
    // A cube of half width 1 seen from 6 m in an orthographic frame 6 m high: 200 / 3 pixels each way.
    const v: View = { ...view(0, 0, 6, 'orthographic'), fovY: 2 * Math.atan(0.5) };
    const ids = drawIds(cube(), initialScene(v), 320, 200);
    const rows = [...ids.keys()].filter((i) => ids[i] === 1);
    expect(rows.length).toBe(66 * 66);
  });

  it('leaves out hidden and glass parts, and what a section cuts away', () => {
    const scene = initialScene(view(0, 0, 8));
    const seen = (s: typeof scene): number[] => [...new Set(drawIds(pair, s, 64, 40))].sort();
    expect(seen(scene)).toEqual([0, 1, 2]);
    expect(seen({ ...scene, visibility: { near: 'hidden' } })).toEqual([0, 2]);
    expect(seen({ ...scene, visibility: { far: 'glass' } })).toEqual([0, 1]);
    expect(seen({ ...scene, section: { normal: [0, -1, 0], offset: 0 } })).toEqual([0, 2]);
  });

  it('at equal depth the lower id wins, an orthographic view shows also what is behind the eye', () => {
    const same = boxes([
      { id: 'b', min: [-1, -1, -1], max: [1, 1, 1] },
      { id: 'a', min: [-1, -1, -1], max: [1, 1, 1] },
    ]);
    expect(Math.max(...drawIds(same, initialScene(view(0, 0, 8, 'orthographic')), 32, 20))).toBe(1);
    const behind: View = { ...view(0, 0, 8, 'orthographic'), target: [0, 20, 0] };
    expect(Math.max(...drawIds(cube(), initialScene(behind), 32, 20))).toBe(1);
    expect(Math.max(...drawIds(cube(), initialScene({ ...behind, projection: 'perspective' }), 32, 20))).toBe(0);
  });

  it('cuts at the eye: a wall that reaches behind it is still drawn in front', () => {
    const tunnel = boxes([{ id: 'floor', min: [-1, -50, -1.2], max: [1, 50, -1] }]);
    const ids = drawIds(tunnel, initialScene(view(0, 0, 1)), 32, 20);
    expect(ids[19 * 32 + 16]).toBe(1);
    expect(ids[0]).toBe(0);
  });
});

describe('sections', () => {
  it('axes are orthonormal and right-handed with the normal', () => {
    fc.assert(
      fc.property(quat, (q) => {
        const n = backOf(q);
        const { x, y } = planeAxes({ normal: n, offset: 0 });
        const z = cross(x, y);
        return Math.abs(dot(x, x) - 1) < 1e-12 && Math.abs(dot(x, y)) < 1e-12 && z.every((c, i) => Math.abs(c - (n[i] as number)) < 1e-9);
      }),
    );
  });

  it('a cube is cut in a square of its own size, anticlockwise', () => {
    const [loop, ...others] = sectionContours(cube(), plane([0, 0, 1], 0.25));
    expect(others).toHaveLength(0);
    expect(loop?.closed).toBe(true);
    expect(signedArea2(loop?.points ?? [])).toBeCloseTo(8, 6);
  });

  it('the area of a slanted cut through a cube is the hexagon’s', () => {
    const n = 1 / Math.sqrt(3);
    expect(sectionArea(sectionContours(cube(), plane([n, n, n], 0)))).toBeCloseTo(3 * Math.sqrt(3), 5);
  });

  it('a hole is clockwise and taken off; overlapping parts count once', () => {
    const outer = cube(2);
    const inner = cube(1);
    const shell: Mesh = {
      positions: new Float32Array([...outer.positions, ...inner.positions]),
      indices: new Uint32Array([...outer.indices, ...inner.indices.map((i) => i + 8)]),
      parts: [{ id: 's', name: 's', start: 0, count: 72, parent: null }],
    };
    const loops = sectionContours(shell, plane([0, 0, 1], 0));
    expect(loops.map((l) => Math.sign(signedArea2(l.points))).sort()).toEqual([-1, 1]);
    expect(sectionArea(loops)).toBeCloseTo(12, 5);
    const twice = boxes([
      { id: 'a', min: [0, 0, -1], max: [2, 2, 1] },
      { id: 'b', min: [1, 0, -1], max: [3, 2, 1] },
    ]);
    expect(sectionArea(sectionContours(twice, plane([0, 0, 1], 0)))).toBeCloseTo(6, 5);
  });

  it('overlap of squares shifted by a half is a third', () => {
    const a = sectionContours(boxes([{ id: 'a', min: [0, 0, -1], max: [1, 1, 1] }]), plane([0, 0, 1], 0));
    const b = sectionContours(boxes([{ id: 'b', min: [0.5, 0, -1], max: [1.5, 1, 1] }]), plane([0, 0, 1], 0));
    expect(sectionOverlap(a, b)).toBeCloseTo(1 / 3, 5);
    expect(sectionOverlap(a, a)).toBeCloseTo(1, 9);
    expect(sectionOverlap([], [])).toBe(1);
    expect(sectionOverlap(a, [])).toBe(0);
  });

  it('an open shell gives an open chain; a plane that misses gives nothing', () => {
    const mesh = cube();
    const open: Mesh = { ...mesh, parts: [{ id: 'o', name: 'o', start: 12, count: 6, parent: null }] };
    expect(sectionContours(open, plane([0, 0, 1], 0)).map((l) => l.closed)).toEqual([false]);
    expect(sectionContours(mesh, plane([0, 0, 1], 5))).toEqual([]);
  });

  it('candidates give the same contours as the full pass', () => {
    const mesh = boxes([
      { id: 'a', min: [0, 0, 0], max: [1, 1, 1] },
      { id: 'b', min: [3, 0, 0], max: [4, 1, 1] },
    ]);
    const all = Uint32Array.from({ length: mesh.indices.length / 3 }, (_, i) => i);
    expect(sectionContours(mesh, plane([0, 0, 1], 0.5), all)).toEqual(sectionContours(mesh, plane([0, 0, 1], 0.5)));
    expect(partContours(mesh, plane([0, 0, 1], 0.5), undefined, new Set([1])).map((c) => c.part)).toEqual([1]);
  });
});

it('fit on hull points equals fit on all corners', () => {
  const mesh = boxes([
    { id: 'a', min: [-1, -2, 0], max: [1, 3, 2] },
    { id: 'b', min: [0, 0, 0], max: [0.5, 0.5, 4] },
  ]);
  fc.assert(
    fc.property(quat, (orientation) => {
      const v = { ...view(0, 0, 5), orientation };
      const all: Vec3[] = Array.from({ length: mesh.positions.length / 3 }, (_, i) => [
        mesh.positions[i * 3] as number,
        mesh.positions[i * 3 + 1] as number,
        mesh.positions[i * 3 + 2] as number,
      ]);
      const a = fit(v, all, 1.6, 0.05);
      const b = fit(v, subjectPoints(mesh, []), 1.6, 0.05);
      return Math.abs(project(a, [0, 0, 1], 1.6).u - project(b, [0, 0, 1], 1.6).u) < 1e-9;
    }),
  );
});

describe('what a box in the frame holds', () => {
  const mesh = boxes([
    { id: 'left', min: [-3, 0, -1], max: [-1, 1, 1] },
    { id: 'right', min: [1, 0, -1], max: [3, 1, 1] },
    { id: 'behind', min: [-0.5, 5, -0.5], max: [0.5, 6, 0.5] },
  ]);
  const scene = (v = view(0, 0, 10, 'orthographic')) => initialScene(v);
  const all = { u0: -0.8, v0: -0.5, u1: 0.8, v1: 0.5 };

  it('all of the frame holds all parts, and a box beside them none', () => {
    expect(partsInBox(mesh, scene(), all, true)).toEqual(['left', 'right', 'behind']);
    expect(partsInBox(mesh, scene(), { u0: 0.5, v0: 0.3, u1: 0.7, v1: 0.4 }, false)).toEqual([]);
  });

  it('tells what it touches from what lies wholly inside, also in the middle of a face', () => {
    // The frame is 2 · 10 · tan(0.5) = 10.93 m high: the left box spans u -0.275 … -0.092.
    const r = { u0: -0.2, v0: -0.2, u1: 0.1, v1: 0.2 };
    expect(partsInBox(mesh, scene(), r, false)).toEqual(['left', 'right', 'behind']);
    expect(partsInBox(mesh, scene(), r, true)).toEqual(['behind']);
    expect(partsInBox(mesh, scene(), { u0: -0.19, v0: -0.01, u1: -0.18, v1: 0.01 }, false)).toEqual(['left']);
  });

  it('leaves out what is hidden or cut away, and what is behind the eye', () => {
    expect(partsInBox(mesh, { ...scene(), visibility: { left: 'hidden' } }, all, false)).toEqual(['right', 'behind']);
    expect(partsInBox(mesh, { ...scene(), section: { normal: [0, 1, 0], offset: 4 } }, all, true)).toEqual(['left', 'right']);
    const inside = { ...view(0, 0, 1), target: [0, 4, 0] as Vec3 };
    expect(partsInBox(mesh, scene(inside), all, false)).toEqual(['behind']);
  });

  it('agrees with the id picture: whatever is seen in a box is touched by it', () => {
    fc.assert(
      fc.property(quat, fc.double({ min: 4, max: 20, noNaN: true }), fc.boolean(), (orientation, distance, perspective) => {
        const s = scene({ ...view(0, 0, distance, perspective ? 'perspective' : 'orthographic'), orientation });
        const ids = drawIds(mesh, s, 32, 20);
        const touched = partsInBox(mesh, s, { u0: -0.4, v0: -0.25, u1: 0.4, v1: 0.25 }, false);
        for (let row = 5; row < 15; row++)
          for (let column = 8; column < 24; column++) {
            const id = ids[row * 32 + column] as number;
            if (id > 0 && !touched.includes(mesh.parts[id - 1]?.id ?? '')) return false;
          }
        return true;
      }),
      { numRuns: 60 },
    );
  });
});
