import { boxOf } from '@core';
import { boxes } from '@core/tests/meshes';
import { expect, it } from 'vitest';
import { AS_IT_IS, type Placement, placeMesh } from './placeMesh';

const brick = boxes([{ id: 'brick', min: [10, 20, 30], max: [12, 23, 34] }]);

it('stands the model on the origin and says what was taken off', () => {
  const { mesh, offset } = placeMesh(brick, AS_IT_IS);
  expect(boxOf(mesh)).toEqual({ min: [-1, -1.5, 0], max: [1, 1.5, 4] });
  expect(offset).toEqual([11, 21.5, 30]);
});

it.each([
  ['+z', 0, [2, 3, 4]],
  ['-z', 0, [2, 3, 4]],
  ['+y', 0, [2, 4, 3]],
  ['-x', 0, [4, 3, 2]],
  ['+z', 1, [3, 2, 4]],
  ['+y', 3, [4, 2, 3]],
] as const)('up %s and %i quarter turns give the size %j, and keep what is left and right', (up, turns, size) => {
  const placement: Placement = { metresPerUnit: 1, up, turns };
  const { mesh } = placeMesh(brick, placement);
  const box = boxOf(mesh);
  expect(box?.max.map((m, i) => m - (box.min[i] as number))).toEqual(size.map((s) => expect.closeTo(s, 5)));
  // The volume keeps its sign: nothing is mirrored.
  const at = (i: number, a: number): number => mesh.positions[(mesh.indices[i] as number) * 3 + a] as number;
  let six = 0;
  for (let i = 0; i < mesh.indices.length; i += 3)
    six +=
      at(i, 0) * (at(i + 1, 1) * at(i + 2, 2) - at(i + 1, 2) * at(i + 2, 1)) -
      at(i, 1) * (at(i + 1, 0) * at(i + 2, 2) - at(i + 1, 2) * at(i + 2, 0)) +
      at(i, 2) * (at(i + 1, 0) * at(i + 2, 1) - at(i + 1, 1) * at(i + 2, 0));
  expect(six / 6).toBeCloseTo(24, 3);
});

it('takes other units', () => {
  expect(boxOf(placeMesh(brick, { ...AS_IT_IS, metresPerUnit: 0.001 }).mesh)?.max[2]).toBeCloseTo(0.004, 7);
});
