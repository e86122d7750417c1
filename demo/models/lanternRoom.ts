import type { Mesh } from '@core';
import { createShaper, facingFront, PAINT } from './shaper';
import { roundWall } from './wall';

const DEG = Math.PI / 180;
const FRONT = -90 * DEG;
const SIDES = 12;
/** Metres. */
const ROOM = 2.0;
const SILL = 0.9;
const HEAD = 2.75;
const DECK = 3.3;

/** The glazed room on top of a lighthouse, with its gallery, the low wall under the panes, the roof with its vent, the door, and the stair down. */
export function lanternRoom(): Mesh {
  const s = createShaper();
  const root = s.part('lantern room', null);
  const deck = s.part('deck', root);
  s.part('gallery floor', deck, PAINT.stone);
  s.arc({ r0: ROOM - 0.1, r1: DECK, z0: -0.16, z1: 0 }, 0, 2 * Math.PI, 48);
  s.part('room floor', deck, PAINT.wood);
  // Open over the stair, at the back.
  s.arc({ r0: 0.6, r1: ROOM - 0.1, z0: -0.16, z1: 0 }, 130 * DEG, 410 * DEG, 36);
  s.arc({ r0: 0, r1: 0.6, z0: -0.16, z1: 0 }, 0, 2 * Math.PI, 24);
  const railing = s.part('railing', root);
  for (let k = 0; k < 24; k++) {
    const a = (2 * Math.PI * k) / 24;
    s.part(`post ${k + 1}`, railing, PAINT.iron);
    s.bar([3.2 * Math.cos(a), 3.2 * Math.sin(a), 0], [3.2 * Math.cos(a), 3.2 * Math.sin(a), 1.1], 0.022, 8);
  }
  for (const [k, h] of [0.4, 0.75, 1.1].entries()) {
    s.part(`rail ${k + 1}`, railing, PAINT.iron);
    s.ring(
      [0, 0, h],
      [
        [3.18, 0],
        [3.22, 0],
        [3.22, 0.04],
        [3.18, 0.04],
      ],
      48,
    );
  }

  s.part('murette', root, PAINT.white);
  roundWall(s, { r0: ROOM - 0.06, r1: ROOM + 0.06, z0: 0, z1: SILL }, [{ at: FRONT, half: 15 * DEG, sill: 0, head: SILL }]);
  const glazing = s.part('glazing', root);
  for (let k = 0; k < SIDES; k++) {
    const a = FRONT + (2 * Math.PI * k) / SIDES;
    const half = Math.PI / SIDES;
    s.part(`bar ${k + 1}`, glazing, PAINT.brass);
    s.bar(
      [ROOM * Math.cos(a + half), ROOM * Math.sin(a + half), k === 0 || k === SIDES - 1 ? 0 : SILL],
      [ROOM * Math.cos(a + half), ROOM * Math.sin(a + half), HEAD],
      0.03,
      8,
    );
    if (k === 0) continue;
    for (const [row, [z0, z1]] of (
      [
        [SILL, 1.8],
        [1.8, HEAD],
      ] as const
    ).entries()) {
      s.part(`pane ${k + 1}, ${row === 0 ? 'lower' : 'upper'}`, glazing, PAINT.clearGlass);
      s.arc({ r0: ROOM - 0.012, r1: ROOM + 0.012, z0: z0 + 0.02, z1: z1 - 0.02 }, a - half + 0.015, a + half - 0.015, 2);
    }
    s.part(`transom ${k + 1}`, glazing, PAINT.brass);
    s.arc({ r0: ROOM - 0.025, r1: ROOM + 0.025, z0: 1.78, z1: 1.82 }, a - half, a + half, 2);
  }

  const door = s.part('door', root);
  s.part('leaf', door, PAINT.green);
  s.box([-0.48, -ROOM - 0.02, 0.02], [0.48, -ROOM + 0.03, 2.05]);
  s.part('knob', door, PAINT.brass);
  s.turned(
    [0, 0, 0],
    [
      [0.015, 0],
      [0.032, 0.03],
      [0.026, 0.05],
    ],
    16,
    facingFront([0.36, -ROOM - 0.02, 1.0]),
  );
  for (const [k, z] of [0.3, 1.7].entries()) {
    s.part(`hinge ${k + 1}`, door, PAINT.brass);
    s.bar([-0.49, -ROOM - 0.03, z], [-0.49, -ROOM - 0.03, z + 0.12], 0.018, 8);
  }
  s.part('lintel', door, PAINT.brass);
  s.box([-0.53, -ROOM - 0.04, 2.05], [0.53, -ROOM + 0.04, 2.12]);
  s.part('fanlight', door, PAINT.clearGlass);
  s.box([-0.48, -ROOM - 0.01, 2.12], [0.48, -ROOM + 0.01, HEAD]);

  const roof = s.part('roof', root);
  s.part('gutter', roof, PAINT.brass);
  s.ring(
    [0, 0, HEAD],
    [
      [1.9, 0],
      [2.3, 0],
      [2.3, 0.1],
      [1.9, 0.1],
    ],
    36,
  );
  for (let k = 0; k < SIDES; k++) {
    const a = FRONT + (2 * Math.PI * (k - 0.5)) / SIDES;
    s.part(`roof plate ${k + 1}`, roof, k === 0 ? PAINT.darkBrass : PAINT.green);
    // A flat, sloped plate between two ribs: a bent block whose inner edge is lifted.
    const [b, c] = [a + 0.01, a + (2 * Math.PI) / SIDES - 0.01];
    s.box([0, 0, 0], [1, 1, 1], ([u, v, w]) => {
      const angle = v === 0 ? b : c;
      const r = u === 0 ? 0.35 : 2.25;
      const z = (u === 0 ? HEAD + 1.15 : HEAD + 0.1) + w * 0.03;
      return [r * Math.cos(angle), r * Math.sin(angle), z];
    });
  }
  const vent = s.part('vent', root);
  s.part('collar', vent, PAINT.brass);
  s.turned(
    [0, 0, HEAD + 1.1],
    [
      [0.4, 0],
      [0.36, 0.16],
    ],
    28,
  );
  s.part('ball', vent, PAINT.brass);
  s.turned(
    [0, 0, HEAD + 1.5],
    Array.from({ length: 13 }, (_, i) => {
      const a = -Math.PI / 2 + (Math.PI * (i + 0.02)) / 12.04;
      return [0.3 * Math.cos(a), 0.3 * Math.sin(a)] as const;
    }),
    28,
  );
  s.part('rod', vent, PAINT.steel);
  s.bar([0, 0, HEAD + 1.75], [0, 0, HEAD + 2.6], 0.015, 8);
  s.part('vane', vent, PAINT.red);
  s.box([-0.02, -0.3, HEAD + 2.25], [0.02, 0.22, HEAD + 2.4]);

  const stand = s.part('lamp', root);
  s.part('pedestal', stand, PAINT.darkIron);
  s.turned(
    [0, 0, 0],
    [
      [0.45, 0],
      [0.4, 0.08],
      [0.18, 0.2],
      [0.18, 0.8],
      [0.4, 0.9],
    ],
    32,
  );
  s.part('lens', stand, PAINT.glass);
  s.turned(
    [0, 0, 0.95],
    [
      [0.3, 0],
      [0.45, 0.2],
      [0.5, 0.45],
      [0.45, 0.7],
      [0.3, 0.9],
    ],
    32,
  );
  s.part('lens cap', stand, PAINT.brass);
  s.turned(
    [0, 0, 1.85],
    [
      [0.32, 0],
      [0.1, 0.14],
    ],
    32,
  );

  const stair = s.part('stair', root);
  for (let k = 0; k < 8; k++) {
    s.part(`step ${k + 1}`, stair, PAINT.iron);
    const top = -0.19 * (k + 1);
    s.arc({ r0: 0.65, r1: ROOM - 0.15, z0: top - 0.05, z1: top }, 120 * DEG - (k + 1) * 9 * DEG, 120 * DEG - k * 9 * DEG, 2);
  }
  s.part('well', stair, PAINT.white);
  s.arc({ r0: ROOM - 0.1, r1: ROOM, z0: -1.7, z1: -0.16 }, 0, 2 * Math.PI, 36);
  s.part('landing', stair, PAINT.wood);
  s.arc({ r0: 0.1, r1: ROOM - 0.1, z0: -1.78, z1: -1.7 }, 0, 2 * Math.PI, 36);
  s.part('spanner', root, PAINT.steel);
  s.box([0.9, -0.9, 0], [1.12, -0.86, 0.02]);
  s.box([1.12, -0.92, 0], [1.16, -0.84, 0.025]);
  return s.mesh();
}
