import type { Mesh } from '@core';
import { createShaper, PAINT } from './shaper';

/** A small lantern buoy, about 2.6 m high: number, ladder and bell side tell its front, left and right. */
export function buoy(): Mesh {
  const s = createShaper();
  const root = s.part('buoy', null);
  s.part('hull', root, PAINT.red);
  s.turned(
    [0, 0, 0],
    [
      [0.35, 0],
      [0.75, 0.12],
      [0.95, 0.4],
      [0.95, 0.62],
      [0.88, 0.7],
    ],
    40,
  );
  s.part('deck', root, PAINT.darkIron);
  s.turned(
    [0, 0, 0],
    [
      [0.86, 0.7],
      [0.86, 0.74],
      [0.2, 0.76],
    ],
    40,
  );
  s.part('rubbing strip', root, PAINT.ink);
  s.ring(
    [0, 0, 0],
    [
      [0.94, 0.46],
      [1.0, 0.48],
      [1.0, 0.54],
      [0.94, 0.56],
    ],
    40,
  );
  const tower = s.part('tower', root);
  for (const [i, [x, y]] of (
    [
      [-1, -1],
      [1, -1],
      [1, 1],
      [-1, 1],
    ] as const
  ).entries()) {
    s.part(`leg ${i + 1}`, tower, PAINT.red);
    s.bar([x * 0.46, y * 0.46, 0.74], [x * 0.22, y * 0.22, 1.95], 0.04);
  }
  s.part('braces', tower, PAINT.red);
  for (const z of [1.15, 1.55]) {
    const r = 0.46 - ((z - 0.74) / 1.21) * 0.24;
    s.bar([-r, -r, z], [r, -r, z], 0.022);
    s.bar([r, -r, z], [r, r, z], 0.022);
    s.bar([r, r, z], [-r, r, z], 0.022);
    s.bar([-r, r, z], [-r, -r, z], 0.022);
  }
  const board = s.part('number board', tower, PAINT.white);
  s.box([-0.27, -0.49, 1.2], [0.27, -0.455, 1.62]);
  s.part('number 7', board, PAINT.ink);
  s.box([-0.14, -0.5, 1.5], [0.14, -0.49, 1.56]);
  s.extruded(
    [
      [0.06, 1.26],
      [0.13, 1.26],
      [0.14, 1.5],
      [0.07, 1.5],
    ].map(([x, z]) => [x as number, z as number] as const),
    0,
    0.012,
    ([x, y, z]) => [x - 0.02, -0.489 - z, y],
  );
  s.part('ladder', tower, PAINT.yellow);
  s.bar([0.62, -0.14, 0.74], [0.34, -0.14, 1.9], 0.022);
  s.bar([0.62, 0.14, 0.74], [0.34, 0.14, 1.9], 0.022);
  for (let i = 0; i < 6; i++) {
    const k = 0.1 + i * 0.15;
    s.bar([0.62 - 0.28 * k, -0.14, 0.74 + 1.16 * k], [0.62 - 0.28 * k, 0.14, 0.74 + 1.16 * k], 0.018);
  }
  s.part('bell', tower, PAINT.brass);
  s.turned(
    [-0.62, 0, 0.86],
    [
      [0.15, 0],
      [0.13, 0.04],
      [0.09, 0.18],
      [0.04, 0.24],
      [0.015, 0.26],
    ],
    24,
  );
  s.part('bell arm', tower, PAINT.darkIron);
  s.bar([-0.62, 0, 1.14], [-0.36, 0, 1.3], 0.02);
  s.part('platform', root, PAINT.darkIron);
  s.turned(
    [0, 0, 0],
    [
      [0.34, 1.95],
      [0.36, 1.97],
      [0.36, 2.01],
      [0.34, 2.02],
    ],
    28,
  );
  const lantern = s.part('lantern', root);
  s.part('base', lantern, PAINT.ink);
  s.turned(
    [0, 0, 0],
    [
      [0.17, 2.02],
      [0.17, 2.12],
    ],
    24,
  );
  s.part('lens', lantern, PAINT.glass);
  s.turned(
    [0, 0, 0],
    [
      [0.13, 2.12],
      [0.16, 2.18],
      [0.16, 2.34],
      [0.13, 2.4],
    ],
    24,
  );
  s.part('cap', lantern, PAINT.ink);
  s.turned(
    [0, 0, 0],
    [
      [0.18, 2.4],
      [0.18, 2.43],
      [0.06, 2.52],
      [0.02, 2.62],
    ],
    24,
  );
  s.part('sun panel', root, PAINT.ink);
  s.extruded(
    [
      [-0.22, -0.14],
      [0.22, -0.14],
      [0.22, 0.14],
      [-0.22, 0.14],
    ],
    0,
    0.025,
    ([x, y, z]) => [x, 0.46 + y * 0.7 - z * 0.7, 1.32 + y * -0.7 * -1 + z * 0.7],
  );
  s.part('mooring eye', root, PAINT.steel);
  s.ring(
    [0, 0, 0],
    [
      [0.09, -0.02],
      [0.13, -0.02],
      [0.13, 0.02],
      [0.09, 0.02],
    ],
    20,
    ([x, y, z]) => [x, -z - 0.98, y + 0.36],
  );
  return s.mesh();
}
