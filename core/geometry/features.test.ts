import { describe, expect, it } from 'vitest';
import { fromAxisAngle, rotate, type Vec3 } from '../math';
import { boxes } from '../tests/meshes';
import { betweenFeatures, type Feature, type FeaturePick, featureAt, valueBetween } from './features';
import type { Mesh } from './mesh';

/** A plate with two bores of 24 sides, each with a chamfer at its top: made by revolving, corner for corner. `soup`: no corner is shared. */
function plate({ radius = 0.02, chamfer = 0.004, apart = 0.1, thick = 0.03, sides = 24 } = {}): Mesh {
  const positions: number[] = [];
  const triangle = (...corners: readonly Vec3[]): void => void positions.push(...corners.flat());
  const quad = (a: Vec3, b: Vec3, c: Vec3, d: Vec3): void => {
    triangle(a, b, c);
    triangle(a, c, d);
  };
  for (const x of [-apart / 2, apart / 2]) {
    const ring = (r: number, z: number): Vec3[] =>
      Array.from({ length: sides }, (_, i) => [x + r * Math.cos((2 * Math.PI * i) / sides), r * Math.sin((2 * Math.PI * i) / sides), z]);
    const low = ring(radius, 0);
    const high = ring(radius, thick - chamfer);
    const top = ring(radius + chamfer, thick);
    for (let i = 0; i < sides; i++) {
      const k = (i + 1) % sides;
      // Looking to the axis.
      quad(low[k] as Vec3, low[i] as Vec3, high[i] as Vec3, high[k] as Vec3);
      quad(high[k] as Vec3, high[i] as Vec3, top[i] as Vec3, top[k] as Vec3);
    }
  }
  // The top in two halves about the bores is left out but for a strip, and the underside.
  quad([-0.1, 0.04, thick], [0.1, 0.04, thick], [0.1, 0.05, thick], [-0.1, 0.05, thick]);
  quad([-0.1, 0.05, 0], [0.1, 0.05, 0], [0.1, 0.04, 0], [-0.1, 0.04, 0]);
  return {
    positions: Float32Array.from(positions),
    indices: Uint32Array.from(positions.keys()).subarray(0, positions.length / 3),
    parts: [{ id: 'plate', name: 'plate', start: 0, count: positions.length / 3, parent: null }],
  };
}

const pick = (part: string, as: FeaturePick['as'], point: Vec3, normal: Vec3): FeaturePick => ({ part, as, point, normal });
const turned = (mesh: Mesh, move: Vec3): { mesh: Mesh; to: (p: Vec3) => Vec3; way: (p: Vec3) => Vec3 } => {
  const q = fromAxisAngle([0.36, 0.48, 0.8], 1.1);
  const way = (p: Vec3): Vec3 => rotate(q, p);
  const to = (p: Vec3): Vec3 => way(p).map((x, i) => x + (move[i] as number)) as unknown as Vec3;
  const positions = Float32Array.from(mesh.positions);
  for (let i = 0; i < positions.length; i += 3) positions.set(to([...positions.subarray(i, i + 3)] as unknown as Vec3), i);
  return { mesh: { ...mesh, positions }, to, way };
};

describe('a bore', () => {
  const made = plate();
  const { mesh, to, way } = turned(made, [3, -2, 1]);
  const bore = (x: number): Feature | null => featureAt(mesh, pick('plate', 'hole', to([x + 0.02, 0, 0.012]), way([-1, 0, 0])));

  it('has its diameter to half a per cent, without its chamfer, and its axis', () => {
    const found = bore(-0.05);
    expect(found).toMatchObject({ kind: 'round', hole: true });
    if (found?.kind !== 'round') return;
    expect(Math.abs(valueBetween('diameter', found, null) ?? 0)).toBeCloseTo(0.04, 6);
    expect(found.triangles).toHaveLength(48);
    expect(Math.abs(found.direction.reduce((sum, x, i) => sum + x * (way([0, 0, 1])[i] as number), 0))).toBeCloseTo(1, 6);
    const middle = to([-0.05, 0, 0.013]);
    for (const axis of [0, 1, 2] as const) expect(found.point[axis]).toBeCloseTo(middle[axis], 5);
  });

  it('is as far from the other as it was made', () => {
    const [a, b] = [bore(-0.05), bore(0.05)];
    expect(valueBetween('spacing', a, b)).toBeCloseTo(0.1, 6);
    expect(valueBetween('angle', a, b)).toBeCloseTo(0, 4);
  });

  it('its chamfer is no cylinder, a flat face is none, and a round face is no plane beyond one facet', () => {
    expect(featureAt(made, pick('plate', 'hole', [-0.05 + 0.022, 0, 0.028], [-0.7, 0, 0.7]))).toBeNull();
    expect(featureAt(made, pick('plate', 'hole', [0, 0.045, 0.03], [0, 0, 1]))).toBeNull();
    const facet = featureAt(made, pick('plate', 'face', [-0.03, 0, 0.012], [-1, 0, 0]));
    expect(facet).toMatchObject({ kind: 'plane', triangles: { length: 2 } });
  });

  it('a coarse one of fourteen sides is one still', () => {
    const coarse = plate({ sides: 14, radius: 0.5, apart: 3, chamfer: 0.1, thick: 1 });
    const found = featureAt(coarse, pick('plate', 'hole', [-1.5 + 0.49, 0.05, 0.3], [-1, 0, 0]));
    expect(valueBetween('diameter', found, null)).toBeCloseTo(1, 6);
  });
});

describe('a round that runs out into flats', () => {
  /** A slot: two half cylinders joined by two flat walls that go on smoothly. */
  const sides = 16;
  const around: Vec3[] = [];
  for (let i = 0; i <= sides; i++) around.push([0.5 + 0.1 * Math.sin((Math.PI * i) / sides), -0.1 * Math.cos((Math.PI * i) / sides), 0]);
  for (let i = 0; i <= sides; i++) around.push([-0.5 - 0.1 * Math.sin((Math.PI * i) / sides), 0.1 * Math.cos((Math.PI * i) / sides), 0]);
  const positions: number[] = [];
  around.forEach((p, i) => {
    const q = around[(i + 1) % around.length] as Vec3;
    const up = (v: Vec3): Vec3 => [v[0], v[1], 0.2];
    positions.push(...q, ...p, ...up(p), ...q, ...up(p), ...up(q));
  });
  const slot: Mesh = {
    positions: Float32Array.from(positions),
    indices: Uint32Array.from({ length: positions.length / 3 }, (_, i) => i),
    parts: [{ id: 'slot', name: 'slot', start: 0, count: positions.length / 3, parent: null }],
  };

  it('is measured for itself', () => {
    const [a, b] = [featureAt(slot, pick('slot', 'hole', [0.6, 0.001, 0.1], [-1, 0, 0])), featureAt(slot, pick('slot', 'hole', [-0.6, 0.001, 0.1], [1, 0, 0]))];
    expect(valueBetween('diameter', a, null)).toBeCloseTo(0.2, 3);
    expect(valueBetween('spacing', a, b)).toBeCloseTo(1, 3);
  });

  it('and its flats are planes of their own', () => {
    const wall = (y: number) => featureAt(slot, pick('slot', 'face', [0, y, 0.1], [0, -Math.sign(y), 0]));
    expect(valueBetween('distance', wall(0.1), wall(-0.1))).toBeCloseTo(0.2, 6);
  });
});

describe('planes, edges and points', () => {
  const box = boxes([
    { id: 'a', min: [0, 0, 0], max: [2, 1, 0.5] },
    { id: 'b', min: [3, 0, 0], max: [4, 1, 0.75] },
  ]);
  const { mesh, to, way } = turned(box, [0.3, 0.2, 0.1]);
  const face = (part: string, p: Vec3, n: Vec3) => featureAt(mesh, pick(part, 'face', to(p), way(n)));

  it('parallel faces are apart to a millionth', () => {
    const value = valueBetween('distance', face('a', [1, 0.5, 0.5], [0, 0, 1]), face('a', [1.2, 0.4, 0], [0, 0, -1])) ?? 0;
    expect(Math.abs(value - 0.5)).toBeLessThan(1e-6);
    expect(Math.abs((valueBetween('distance', face('a', [2, 0.5, 0.2], [1, 0, 0]), face('b', [3, 0.5, 0.2], [-1, 0, 0])) ?? 0) - 1)).toBeLessThan(1e-6);
  });

  it('faces that meet have an angle and no distance', () => {
    const [top, side] = [face('a', [1, 0.5, 0.5], [0, 0, 1]), face('a', [2, 0.5, 0.2], [1, 0, 0])];
    expect(valueBetween('distance', top, side)).toBeNull();
    expect(valueBetween('angle', top, side)).toBeCloseTo(Math.PI / 2, 6);
  });

  it('an edge is followed while it is straight, and is a line to measure from', () => {
    const top = featureAt(mesh, pick('a', 'edge', to([1, 0.01, 0.5]), way([0, 0, 1])));
    expect(top).toMatchObject({ kind: 'edge' });
    if (top?.kind !== 'edge') return;
    expect(Math.hypot(...top.ends[0].map((x, i) => x - (top.ends[1][i] as number)))).toBeCloseTo(2, 6);
    const [across, other] = [
      featureAt(mesh, pick('a', 'edge', to([0.01, 0.5, 0.5]), way([0, 0, 1]))),
      featureAt(mesh, pick('b', 'edge', to([3.5, 0, 0.75]), way([0, 0, 1]))),
    ];
    expect(betweenFeatures(top, across as Feature).angle).toBeCloseTo(Math.PI / 2, 6);
    expect(betweenFeatures(top, other as Feature).distance).toBeCloseTo(0.25, 6);
    expect(betweenFeatures(top, face('a', [1, 0.5, 0], [0, 0, -1]) as Feature).distance).toBeCloseTo(0.5, 6);
    expect(betweenFeatures({ kind: 'point', point: to([0, 0, 0]) }, top).distance).toBeCloseTo(0.5, 6);
  });

  it('points to points, planes, and back', () => {
    const point: Feature = { kind: 'point', point: to([0.5, 0.5, 1.5]) };
    const top = face('a', [1, 0.5, 0.5], [0, 0, 1]) as Feature;
    expect(betweenFeatures(point, top).distance).toBeCloseTo(1, 6);
    expect(betweenFeatures(top, point)).toEqual(betweenFeatures(point, top));
    expect(betweenFeatures(point, { kind: 'point', point: to([0.5, 0.5, 0.5]) }).distance).toBeCloseTo(1, 6);
  });

  it('a part that is not there, or a group without triangles, has nothing', () => {
    expect(featureAt(mesh, pick('gone', 'face', [0, 0, 0], [0, 0, 1]))).toBeNull();
  });
});
