import { boxOf, type Mesh, sectionContours } from '@core';
import { decodeMesh, encodeMesh, readModel, writeGlb } from '@formats';
import { describe, expect, it } from 'vitest';
import { buoy, drive, lanternRoom, optic, tower } from './index';

/** Volume enclosed by a part, by the divergence theorem; positive when its faces look outwards. */
function volume(mesh: Mesh, number: number): number {
  const part = mesh.parts[number];
  if (!part) return 0;
  const at = (i: number, axis: number): number => mesh.positions[(mesh.indices[i] as number) * 3 + axis] as number;
  let six = 0;
  for (let i = part.start; i < part.start + part.count; i += 3) {
    const [a, b, c] = [i, i + 1, i + 2] as const;
    six +=
      at(a, 0) * (at(b, 1) * at(c, 2) - at(b, 2) * at(c, 1)) -
      at(a, 1) * (at(b, 0) * at(c, 2) - at(b, 2) * at(c, 0)) +
      at(a, 2) * (at(b, 0) * at(c, 1) - at(b, 1) * at(c, 0));
  }
  return six / 6;
}

describe.each([
  ['buoy', buoy],
  ['optic', optic],
  ['drive', drive],
  ['lantern room', lanternRoom],
  ['tower', tower],
] as const)('%s', (_name, make) => {
  const mesh = make();

  it('is made of solids whose faces look outwards', () => {
    const wrong = mesh.parts.filter((part, i) => part.count > 0 && volume(mesh, i) <= 0).map((part) => part.id);
    expect(wrong).toEqual([]);
  });

  it('gives only closed contours wherever it is cut', () => {
    const box = boxOf(mesh);
    if (!box) throw new Error('no box');
    for (const share of [0.23, 0.5, 0.71]) {
      const z = box.min[2] + (box.max[2] - box.min[2]) * share + 1e-4;
      const loops = sectionContours(mesh, { normal: [0, 0, 1], offset: z });
      expect(loops.length).toBeGreaterThan(0);
      expect(loops.filter((loop) => !loop.closed)).toEqual([]);
    }
  });

  it('comes back from a glTF file and from the mesh file with the same parts', async () => {
    const { mesh: read, warnings } = await readModel({ name: 'model.glb', bytes: await writeGlb(mesh) });
    expect(warnings).toEqual([]);
    expect(read.parts.map((p) => [p.id, p.count, p.parent])).toEqual(mesh.parts.map((p) => [p.id, p.count, p.parent]));
    expect(decodeMesh(encodeMesh(mesh))).toEqual({ ...mesh, parts: mesh.parts.map((p) => ({ ...p })) });
    // A Buffer lies somewhere in memory that others use as well.
    const shared = Buffer.concat([Buffer.alloc(3), encodeMesh(mesh)]).subarray(3);
    expect(decodeMesh(shared).positions).toEqual(mesh.positions);
  });
});

it('the drive has more than eighty parts and the optic eight panels', () => {
  expect(drive().parts.filter((p) => p.count > 0).length).toBeGreaterThan(80);
  expect(optic().parts.filter((p) => /^panel \d$/.test(p.name))).toHaveLength(8);
});
