import { drawIds, featureAt, initialScene, type Mesh, PICTURE, reachable, type Step, topologyOf } from '@core';
import { defaultHome } from '@core/model';
import { AS_IT_IS, placeMesh } from '@formats';
import { createProbes } from '@web/stage/probing/probes';
import { prepareFirst } from '@web/workers/prepareMesh';
import { optic } from '../demo/models';
import { ball } from './ball';
import { pair } from './pair';

/** A ball of a million triangles with a bore of 48 beside it, as one part. */
function boredBall(): Mesh {
  const { positions, indices } = ball(708, 707, 1);
  const more: number[] = [];
  const faces: number[] = [];
  const sides = 24;
  const first = positions.length / 3;
  for (let i = 0; i < sides; i++) {
    const a = (2 * Math.PI * i) / sides;
    for (const z of [0, 0.1]) more.push(2 + 0.05 * Math.cos(a), 0.05 * Math.sin(a), z);
    const [p, q] = [first + 2 * i, first + 2 * ((i + 1) % sides)];
    faces.push(q, p, p + 1, q, p + 1, q + 1);
  }
  return {
    positions: Float32Array.from([...positions, ...more]),
    indices: Uint32Array.from([...indices, ...faces]),
    parts: [{ id: 'all', name: 'all', start: 0, count: indices.length + faces.length, parent: null }],
  };
}

/** What a pick points at in a large model, and whether all that is sought can be seen. */
export async function measuringBenches(): Promise<void> {
  const large = boredBall();
  const { nearest } = createProbes(prepareFirst(large));
  // Which triangles touch which is computed once a part.
  const began = performance.now();
  topologyOf(large, 0);
  process.stdout.write(`which triangles touch which, 1 M: ${(performance.now() - began).toFixed(0)} ms, once a part\n`);
  const hole = { part: 'all', point: [2.05 * 1 - 0.0004, 0.006, 0.05] as const, normal: [-1, 0, 0] as const, as: 'hole' as const };
  if (featureAt(large, hole, nearest)?.kind !== 'round') throw new Error('the bore is not found');
  await pair('featureAt: a bore, 1 M triangles in one part', 'under 5 ms', () => void featureAt(large, hole, nearest), {
    name: 'its triangle by the search tree',
    run: () => void nearest(0, hole.point, hole.normal),
  });
  const flat = { part: 'all', point: [0.0001, 0.0001, 1.02] as const, normal: [0, 0, 1] as const, as: 'hole' as const };
  await pair('featureAt: no hole, on a smooth million', 'under 5 ms', () => void featureAt(large, flat, nearest), {
    name: 'its triangle by the search tree',
    run: () => void nearest(0, flat.point, flat.normal),
  });

  const { mesh } = placeMesh(optic(), AS_IT_IS);
  const model = { mesh, home: defaultHome(mesh) };
  const start = initialScene(model.home);
  const parts = mesh.parts.filter(({ count }) => count > 0);
  const items = [0, 1, 2, 3, 4].map((i) => ({ id: `${i}`, name: `${i}`, of: 'part' as const, part: parts[Math.floor((i * parts.length) / 5)]?.id ?? '' }));
  const step: Pick<Step, 'goal' | 'skill'> = { goal: { kind: 'findIt', items }, skill: 'orbit' };
  let looks = 0;
  const search = (): void => {
    looks = 0;
    reachable(step, model, { start, allowed: ['orbit', 'panZoom'] }, () => looks++);
  };
  const from = performance.now();
  search();
  const ms = performance.now() - from;
  const one = performance.now();
  for (let i = 0; i < 50; i++) drawIds(mesh, start, PICTURE.width, PICTURE.height);
  const picture = (performance.now() - one) / 50;
  process.stdout.write(
    `reachable: the optic, 5 parts, ${looks} looks: ${(ms / 1000).toFixed(2)} s, ${(ms / picture).toFixed(0)} times one picture of it   aim under 8 s\n`,
  );
}
