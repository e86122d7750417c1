import type { Mesh } from '@core';
import { createShaper, facingFront, PAINT, type Shaper } from './shaper';
import { type Opening, roundWall } from './wall';

const DEG = Math.PI / 180;
const FRONT = -90 * DEG;

/** Metres: inner and outer radius of the wall, and the height from floor to floor. */
const INNER = 2.4;
const OUTER = 2.85;
export const STOREY = 3;
const SLAB = 0.14;
/** The weight tube that runs down the middle. */
const TUBE = 0.25;
/** The stair goes once nearly round along the wall: steps of 18.75 cm, each 18° wide, and a landing to rest on. */
export const STEPS = 16;
export const STEP_ANGLE = 18 * DEG;
const RISE = STOREY / STEPS;
const STAIR_INNER = 1.45;
/** From this step on a head needs the floor above to be open. */
const OPEN_FROM = 6;

const FLOORS = ['ground floor', 'store', 'living room', 'watch room'] as const;
const OPENINGS: readonly (readonly Opening[])[] = [
  [
    { at: FRONT, half: 12 * DEG, sill: 0, head: 2.1 },
    { at: 60 * DEG, half: 7 * DEG, sill: 1.3, head: 2.2 },
  ],
  [
    { at: 20 * DEG, half: 8 * DEG, sill: 1.0, head: 2.0 },
    { at: 200 * DEG, half: 8 * DEG, sill: 1.0, head: 2.0 },
  ],
  [
    { at: FRONT, half: 9 * DEG, sill: 0.9, head: 2.1 },
    { at: 45 * DEG, half: 9 * DEG, sill: 0.9, head: 2.1 },
    { at: 160 * DEG, half: 9 * DEG, sill: 0.9, head: 2.1 },
  ],
  [
    { at: 0, half: 8 * DEG, sill: 0.9, head: 2.0 },
    { at: 90 * DEG, half: 8 * DEG, sill: 0.9, head: 2.0 },
    { at: 180 * DEG, half: 8 * DEG, sill: 0.9, head: 2.0 },
  ],
];

function storey(s: Shaper, root: string, n: number): void {
  const z = n * STOREY;
  const name = FLOORS[n] as string;
  const room = s.part(name, root);
  s.part('wall', room, n % 2 === 0 ? PAINT.white : PAINT.red);
  roundWall(
    s,
    { r0: INNER, r1: OUTER, z0: z, z1: z + STOREY },
    (OPENINGS[n] ?? []).map((o) => ({ ...o, sill: o.sill + z, head: o.head + z })),
  );
  for (const [k, o] of (OPENINGS[n] ?? []).entries()) {
    if (o.sill === 0) continue;
    s.part(`pane ${k + 1}`, room, PAINT.clearGlass);
    s.arc({ r0: 2.58, r1: 2.62, z0: z + o.sill, z1: z + o.head }, o.at - o.half, o.at + o.half, 4);
  }
  s.part('floor', room, PAINT.wood);
  if (n === 0)
    s.turned(
      [0, 0, 0],
      [
        [OUTER, -0.1],
        [OUTER, 0],
      ],
      48,
    );
  else {
    // The stair comes up through the outer part of the floor: it is open over the upper steps of the flight below.
    s.arc({ r0: TUBE + 0.02, r1: STAIR_INNER, z0: z - SLAB, z1: z }, 0, 2 * Math.PI, 32);
    s.arc({ r0: STAIR_INNER, r1: INNER, z0: z - SLAB, z1: z }, STEPS * STEP_ANGLE, OPEN_FROM * STEP_ANGLE + 2 * Math.PI, 20);
  }
  const stair = s.part('stair', room);
  for (let k = 0; k < STEPS; k++) {
    s.part(`step ${k + 1}`, stair, PAINT.iron);
    const top = z + (k + 1) * RISE;
    s.arc({ r0: STAIR_INNER, r1: INNER, z0: top - 0.05, z1: top }, k * STEP_ANGLE, (k + 1) * STEP_ANGLE, 3);
  }
  s.part('balusters', stair, PAINT.darkIron);
  for (let k = 0; k < STEPS; k += 2) {
    const a = (k + 0.5) * STEP_ANGLE;
    const top = z + (k + 1) * RISE;
    s.bar(
      [STAIR_INNER * 1.02 * Math.cos(a), STAIR_INNER * 1.02 * Math.sin(a), top],
      [STAIR_INNER * 1.02 * Math.cos(a), STAIR_INNER * 1.02 * Math.sin(a), top + 0.9],
      0.012,
      6,
    );
  }
}

function table(s: Shaper, parent: string, x: number, y: number, z: number): void {
  const id = s.part('table', parent);
  s.part('top', id, PAINT.wood);
  s.box([x - 0.4, y - 0.25, z + 0.72], [x + 0.4, y + 0.25, z + 0.76]);
  s.part('legs', id, PAINT.wood);
  for (const dx of [-0.35, 0.35]) for (const dy of [-0.2, 0.2]) s.bar([x + dx, y + dy, z], [x + dx, y + dy, z + 0.72], 0.025, 8);
}

function stool(s: Shaper, parent: string, name: string, x: number, y: number, z: number): void {
  s.part(name, parent, PAINT.wood);
  s.turned(
    [x, y, z],
    [
      [0.16, 0.42],
      [0.17, 0.46],
    ],
    20,
  );
  for (let k = 0; k < 3; k++) {
    const a = (2 * Math.PI * k) / 3;
    s.bar([x + 0.14 * Math.cos(a), y + 0.14 * Math.sin(a), z], [x + 0.08 * Math.cos(a), y + 0.08 * Math.sin(a), z + 0.42], 0.018, 6);
  }
}

/** A lighthouse tower of four storeys with a spiral stair along its wall, the weight tube down its middle, and rooms with what is used in them. */
export function tower(): Mesh {
  const s = createShaper();
  const root = s.part('tower', null);
  s.part('plinth', root, PAINT.stone);
  s.turned(
    [0, 0, 0],
    [
      [3.3, -0.4],
      [3.3, -0.16],
      [3.15, -0.1],
    ],
    48,
  );
  s.part('door step', root, PAINT.stone);
  s.box([-0.7, -3.75, -0.4], [0.7, -3.1, -0.12]);
  for (let n = 0; n < FLOORS.length; n++) storey(s, root, n);

  const top = FLOORS.length * STOREY;
  const gallery = s.part('gallery', root);
  s.part('deck', gallery, PAINT.stone);
  s.arc({ r0: TUBE + 0.02, r1: STAIR_INNER, z0: top - SLAB, z1: top }, 0, 2 * Math.PI, 32);
  s.arc({ r0: STAIR_INNER, r1: INNER, z0: top - SLAB, z1: top }, STEPS * STEP_ANGLE, OPEN_FROM * STEP_ANGLE + 2 * Math.PI, 20);
  s.arc({ r0: INNER, r1: 3.6, z0: top - SLAB, z1: top }, 0, 2 * Math.PI, 48);
  s.part('railing', gallery, PAINT.iron);
  for (let k = 0; k < 24; k++) {
    const a = (2 * Math.PI * k) / 24;
    s.bar([3.5 * Math.cos(a), 3.5 * Math.sin(a), top], [3.5 * Math.cos(a), 3.5 * Math.sin(a), top + 1.05], 0.02, 6);
  }
  for (const h of [0.55, 1.05])
    s.ring(
      [0, 0, top + h],
      [
        [3.48, 0],
        [3.52, 0],
        [3.52, 0.035],
        [3.48, 0.035],
      ],
      48,
    );
  const lantern = s.part('lantern', root);
  s.part('lantern glass', lantern, PAINT.clearGlass);
  s.arc({ r0: 2.5, r1: 2.54, z0: top + 0.9, z1: top + 2.6 }, 0, 2 * Math.PI, 24);
  s.part('lantern wall', lantern, PAINT.white);
  roundWall(s, { r0: 2.45, r1: 2.6, z0: top, z1: top + 0.9 }, [{ at: FRONT, half: 13 * DEG, sill: top, head: top + 0.9 }]);
  s.part('roof', lantern, PAINT.green);
  s.ring(
    [0, 0, top + 2.6],
    [
      [2.4, 0],
      [2.75, 0],
      [0.3, 1.25],
      [0.2, 1.2],
    ],
    36,
  );
  s.part('vent', lantern, PAINT.green);
  s.turned(
    [0, 0, top + 3.75],
    [
      [0.3, 0],
      [0.34, 0.2],
      [0.2, 0.42],
    ],
    24,
  );

  const tube = s.part('weight tube', root);
  s.part('pipe', tube, PAINT.darkIron);
  s.ring(
    [0, 0, 0],
    [
      [TUBE - 0.02, 0],
      [TUBE, 0],
      [TUBE, top + 0.3],
      [TUBE - 0.02, top + 0.3],
    ],
    28,
  );
  for (let n = 0; n < FLOORS.length; n++) {
    const z = n * STOREY + 1.2;
    const flange = s.part(`flange ${n + 1}`, tube);
    s.part('ring', flange, PAINT.iron);
    s.ring(
      [0, 0, z],
      [
        [TUBE, 0],
        [TUBE + 0.05, 0],
        [TUBE + 0.05, 0.03],
        [TUBE, 0.03],
      ],
      28,
    );
    for (let k = 0; k < 8; k++) {
      const a = FRONT + (2 * Math.PI * k) / 8;
      s.part(`bolt ${k + 1}`, flange, PAINT.steel);
      const [x, y] = [(TUBE + 0.025) * Math.cos(a), (TUBE + 0.025) * Math.sin(a)];
      s.turned(
        [x, y, z + 0.03],
        [
          [0.011, 0],
          [0.011, 0.01],
        ],
        6,
      );
      s.turned(
        [x, y, z + 0.04],
        [
          [0.006, 0],
          [0.006, 0.008],
        ],
        12,
      );
    }
  }

  const board = s.part('name board', root);
  s.part('board', board, PAINT.ink);
  s.box([-0.5, -OUTER - 0.1, 2.35], [0.5, -OUTER + 0.05, 2.7]);
  for (const [k, x] of [-0.44, 0.44].entries())
    for (const [m, z] of [2.41, 2.64].entries()) {
      s.part(`bolt ${k * 2 + m + 1}`, board, PAINT.brass);
      s.turned(
        [0, 0, 0],
        [
          [0.02, 0],
          [0.02, 0.012],
        ],
        6,
        facingFront([x, -OUTER - 0.1, z]),
      );
      s.turned(
        [0, 0, 0.012],
        [
          [0.011, 0],
          [0.011, 0.014],
        ],
        12,
        facingFront([x, -OUTER - 0.1, z]),
      );
    }

  const store = s.part('things in the store', root);
  for (const [k, [x, y]] of (
    [
      [-0.9, -0.5],
      [-0.7, -0.95],
      [0.6, -0.9],
    ] as const
  ).entries()) {
    s.part(`oil cask ${k + 1}`, store, k === 1 ? PAINT.darkBrass : PAINT.brass);
    s.turned(
      [x, y, STOREY],
      [
        [0.2, 0],
        [0.24, 0.3],
        [0.2, 0.6],
      ],
      20,
    );
  }
  s.part('oil can', store, PAINT.red);
  s.turned(
    [0.9, -0.35, STOREY],
    [
      [0.09, 0],
      [0.09, 0.16],
      [0.02, 0.26],
    ],
    18,
  );
  const living = s.part('things in the living room', root);
  table(s, living, 0.2, -1.0, 2 * STOREY);
  stool(s, living, 'stool 1', -0.5, -1.0, 2 * STOREY);
  stool(s, living, 'stool 2', 0.95, -0.8, 2 * STOREY);
  s.part('stove', living, PAINT.darkIron);
  s.turned(
    [-0.95, 0.5, 2 * STOREY],
    [
      [0.22, 0],
      [0.24, 0.1],
      [0.2, 0.7],
      [0.08, 0.78],
    ],
    20,
  );
  s.bar([-0.95, 0.5, 2 * STOREY + 0.75], [-0.95, 0.5, 3 * STOREY - SLAB], 0.06, 12);
  s.part('mug', living, PAINT.cloth);
  s.turned(
    [0.35, -1.0, 2 * STOREY + 0.76],
    [
      [0.04, 0],
      [0.04, 0.1],
    ],
    16,
  );
  const watch = s.part('things in the watch room', root);
  const bunk = s.part('bunk', watch);
  s.part('frame', bunk, PAINT.wood);
  s.box([-1.35, -0.5, 3 * STOREY + 0.3], [-0.75, 0.75, 3 * STOREY + 0.4]);
  for (const x of [-1.3, -0.8]) for (const y of [-0.45, 0.7]) s.bar([x, y, 3 * STOREY], [x, y, 3 * STOREY + 0.3], 0.03, 8);
  s.part('blanket', bunk, PAINT.cloth);
  s.box([-1.33, -0.48, 3 * STOREY + 0.4], [-0.77, 0.73, 3 * STOREY + 0.48]);
  s.part('log desk', watch, PAINT.wood);
  s.box([0.5, 0.35, 3 * STOREY], [1.15, 0.8, 3 * STOREY + 0.9]);
  s.part('log book', watch, PAINT.green);
  s.box([0.65, 0.45, 3 * STOREY + 0.9], [0.95, 0.68, 3 * STOREY + 0.94]);
  return s.mesh();
}
