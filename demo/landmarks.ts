import { addScaled, boxOf, dot, type Landmark, type Mesh, middleOf, partsUnder, sub, unit, type Vec3 } from '@core';
import type { DemoModel } from './course';

/** A landmark by its part and the way that it looks. */
interface Marked {
  readonly name: string;
  readonly kind: Landmark['kind'];
  readonly part: string;
  readonly toward: Vec3;
}

const mark = (kind: Landmark['kind'], name: string, part: string, toward: Vec3): Marked => ({ kind, name, part, toward });

export const LANDMARKS: Record<DemoModel, readonly Marked[]> = {
  buoy: [
    mark('face', 'Number seven', 'buoy/tower/number board', [0, -1, 0]),
    mark('part', 'Light', 'buoy/lantern', [0, 0, 1]),
    mark('point', 'Mooring eye', 'buoy/mooring eye', [0, 0, -1]),
  ],
  optic: [mark('face', 'Maker’s plate', "optic/pedestal/maker's plate", [0, -1, 0]), mark('point', 'Top of the vent', 'optic/roof/vent', [0, 0, 1])],
  drive: [
    mark('face', 'Sloped lid', 'drive/case/lid/lid glass', [0, -0.2963, 0.9551]),
    mark('face', 'Nameplate', 'drive/nameplate', [0, -1, 0]),
    mark('part', 'Escape wheel', 'drive/train/escape wheel', [0, -1, 0]),
    mark('point', 'Crank handle', 'drive/crank/handle', [1, 0, 0]),
  ],
  lanternRoom: [
    mark('face', 'Gallery door', 'lantern room/door/leaf', [0, -1, 0]),
    mark('point', 'Wind vane', 'lantern room/vent/vane', [0, 0, 1]),
    mark('part', 'Lamp', 'lantern room/lamp/lens', [0, 0, 1]),
  ],
  tower: [
    mark('face', 'Name board', 'tower/name board/board', [0, -1, 0]),
    mark('part', 'Gallery', 'tower/gallery', [0, 0, 1]),
    mark('part', 'Lantern', 'tower/lantern', [0, 0, 1]),
    mark('point', 'Log book', 'tower/things in the watch room/log book', [0, 0, 1]),
  ],
};

/** The place that a hand would pick: where the part reaches farthest the way that it looks. */
export function placed({ name, kind, part, toward }: Marked, mesh: Mesh): Landmark {
  const numbers = partsUnder(mesh, [part]);
  const box = boxOf(mesh, numbers);
  const normal = unit(toward);
  if (!box || !normal) throw new Error(`The model has no part ${part}.`);
  const middle = middleOf(box);
  let reach = 0;
  for (const number of numbers) {
    const { start, count } = mesh.parts[number] ?? { start: 0, count: 0 };
    for (const corner of mesh.indices.subarray(start, start + count)) {
      const at = [0, 1, 2].map((axis) => mesh.positions[3 * corner + axis]) as unknown as Vec3;
      reach = Math.max(reach, dot(normal, sub(at, middle)));
    }
  }
  return { name, kind, part, point: addScaled(middle, normal, reach), normal };
}
