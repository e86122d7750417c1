import type { Mesh } from '@core';
import { createShaper, facingFront, PAINT, type Profile } from './shaper';

/** Outline of a toothed wheel, anticlockwise. */
function toothed(teeth: number, outer: number, depth: number): Profile {
  return Array.from({ length: teeth * 4 }, (_, i) => {
    const step = i % 4;
    const r = step === 1 || step === 2 ? outer : outer - depth;
    const a = (2 * Math.PI * (i + (step === 1 ? 0.15 : step === 2 ? -0.15 : 0))) / (teeth * 4);
    return [r * Math.cos(a), r * Math.sin(a)] as const;
  });
}

/** The clockwork that turns the optic: case with doors and a sloped glass lid, gear train, drum, governor, crank. */
export function drive(): Mesh {
  const s = createShaper();
  const root = s.part('drive', null);
  const box = s.part('case', root);
  s.part('floor', box, PAINT.green);
  s.box([-0.6, -0.35, 0], [0.6, 0.35, 0.04]);
  s.part('back', box, PAINT.green);
  s.box([-0.6, 0.32, 0.04], [0.6, 0.35, 1.0]);
  s.part('left side', box, PAINT.green);
  s.extruded(
    [
      [-0.35, 0.04],
      [0.32, 0.04],
      [0.32, 1.0],
      [-0.35, 0.78],
    ],
    -0.6,
    -0.57,
    ([x, y, z]) => [z, x, y],
  );
  s.part('right side', box, PAINT.green);
  s.extruded(
    [
      [-0.35, 0.04],
      [0.32, 0.04],
      [0.32, 1.0],
      [-0.35, 0.78],
    ],
    0.57,
    0.6,
    ([x, y, z]) => [z, x, y],
  );
  const doors = s.part('doors', box);
  for (const [name, x] of [
    ['left door', -0.57],
    ['right door', 0.005],
  ] as const) {
    s.part(name, doors, PAINT.green);
    s.box([x, -0.35, 0.04], [x + 0.565, -0.325, 0.78]);
    s.part(`${name} panel`, doors, PAINT.darkIron);
    s.box([x + 0.08, -0.36, 0.14], [x + 0.485, -0.35, 0.68]);
    s.part(`${name} knob`, doors, PAINT.brass);
    s.turned(
      [0, 0, 0],
      [
        [0.012, 0],
        [0.024, 0.02],
        [0.02, 0.035],
      ],
      14,
      facingFront([name === 'left door' ? -0.03 : 0.03, -0.35, 0.42]),
    );
  }
  for (const [k, x] of [-0.575, 0.575].entries())
    for (const [m, z] of [0.14, 0.38, 0.64].entries()) {
      s.part(`hinge ${k * 3 + m + 1}`, doors, PAINT.brass);
      s.bar([x, -0.356, z], [x, -0.356, z + 0.07], 0.012);
    }
  const lid = s.part('lid', box);
  const slope: Profile = [
    [-0.37, 0.78],
    [0.34, 1.0],
    [0.34, 1.02],
    [-0.37, 0.8],
  ];
  s.part('lid frame', lid, PAINT.brass);
  for (const [x0, x1] of [
    [-0.62, -0.52],
    [0.52, 0.62],
  ] as const)
    s.extruded(slope, x0, x1, ([x, y, z]) => [z, x, y]);
  s.part('lid glass', lid, PAINT.clearGlass);
  s.extruded(
    [
      [-0.36, 0.788],
      [0.33, 1.002],
      [0.33, 1.012],
      [-0.36, 0.798],
    ],
    -0.52,
    0.52,
    ([x, y, z]) => [z, x, y],
  );

  const train = s.part('train', root);
  const plates = s.part('plates', train);
  for (const [name, y] of [
    ['front plate', -0.2],
    ['back plate', 0.16],
  ] as const) {
    s.part(name, plates, PAINT.brass);
    s.box([-0.46, y, 0.12], [0.46, y + 0.02, 0.7]);
  }
  s.part('pillars', plates, PAINT.steel);
  for (const x of [-0.42, 0.42]) for (const z of [0.16, 0.66]) s.bar([x, -0.18, z], [x, 0.16, z], 0.016);
  const wheels = [
    ['great wheel', -0.2, 0.34, 0.2, 64, -0.1],
    ['second wheel', 0.09, 0.42, 0.12, 40, -0.05],
    ['third wheel', 0.26, 0.52, 0.085, 30, 0.0],
    ['escape wheel', 0.33, 0.3, 0.07, 22, 0.06],
    ['winding wheel', -0.34, 0.56, 0.08, 26, 0.05],
  ] as const;
  for (const [name, x, z, r, teeth, y] of wheels) {
    s.part(name, train, name === 'escape wheel' ? PAINT.steel : PAINT.brass);
    s.extruded(toothed(teeth, r, r * 0.09), 0, 0.024, facingFront([x, y, z]));
    s.part(`${name} arbor`, train, PAINT.steel);
    s.bar([x, -0.22, z], [x, 0.18, z], 0.011);
    s.part(`${name} hub`, train, PAINT.darkBrass);
    s.turned(
      [0, 0, 0],
      [
        [r * 0.22, -0.012],
        [r * 0.22, 0.036],
      ],
      20,
      facingFront([x, y, z]),
    );
    for (let k = 0; k < 4; k++) {
      const a = (Math.PI * k) / 2 + 0.4;
      s.part(`${name} boss ${k + 1}`, train, PAINT.darkBrass);
      s.turned(
        [0, 0, 0],
        [
          [r * 0.09, 0],
          [r * 0.09, 0.03],
        ],
        12,
        facingFront([x + r * 0.6 * Math.cos(a), y, z + r * 0.6 * Math.sin(a)]),
      );
    }
    for (const [plate, at] of [
      ['front', -0.2],
      ['back', 0.2],
    ] as const) {
      s.part(`${name} ${plate} bush`, train, PAINT.darkIron);
      s.turned(
        [0, 0, 0],
        [
          [0.022, 0],
          [0.018, 0.016],
        ],
        14,
        facingFront([x, at, z]),
      );
    }
  }
  const drum = s.part('drum', train);
  s.part('barrel', drum, PAINT.darkIron);
  s.turned(
    [0, 0, 0],
    [
      [0.1, 0],
      [0.1, 0.14],
    ],
    32,
    facingFront([-0.2, 0.1, 0.34]),
  );
  s.part('rope', drum, PAINT.rope);
  for (let i = 0; i < 7; i++)
    s.ring(
      [0, 0, 0],
      [
        [0.1, i * 0.019],
        [0.114, i * 0.019],
        [0.114, i * 0.019 + 0.015],
        [0.1, i * 0.019 + 0.015],
      ],
      24,
      facingFront([-0.2, 0.098, 0.34]),
    );
  const governor = s.part('governor', train);
  s.part('spindle', governor, PAINT.steel);
  s.bar([0.12, 0.02, 0.56], [0.12, 0.02, 0.84], 0.01);
  s.part('collar', governor, PAINT.brass);
  s.turned(
    [0.12, 0.02, 0.64],
    [
      [0.035, 0],
      [0.035, 0.04],
    ],
    20,
  );
  for (const [k, x] of [-1, 1].entries()) {
    s.part(`arm ${k + 1}`, governor, PAINT.steel);
    s.bar([0.12, 0.02, 0.8], [0.12 + x * 0.1, 0.02, 0.7], 0.007);
    s.part(`ball ${k + 1}`, governor, PAINT.red);
    s.turned(
      [0.12 + x * 0.1, 0.02, 0.7],
      Array.from({ length: 9 }, (_, i) => {
        const a = -Math.PI / 2 + (Math.PI * (i + 0.02)) / 8.04;
        return [0.03 * Math.cos(a), 0.03 * Math.sin(a)] as const;
      }),
      18,
    );
  }
  const crank = s.part('crank', root);
  s.part('shaft', crank, PAINT.steel);
  s.bar([0.6, 0.02, 0.56], [0.72, 0.02, 0.56], 0.018, 24);
  s.part('handle arm', crank, PAINT.darkIron);
  s.box([0.7, -0.005, 0.38], [0.725, 0.045, 0.58]);
  s.part('handle', crank, PAINT.rope);
  s.bar([0.725, 0.02, 0.4], [0.85, 0.02, 0.4], 0.02, 24);
  s.part('nameplate', root, PAINT.brass);
  s.box([-0.12, -0.37, 0.7], [0.12, -0.35, 0.76]);
  for (const [k, x] of [-0.52, 0.52].entries())
    for (const [m, y] of [-0.28, 0.28].entries()) {
      s.part(`foot ${k * 2 + m + 1}`, root, PAINT.darkIron);
      s.turned(
        [x, y, -0.06],
        [
          [0.05, 0],
          [0.04, 0.06],
        ],
        16,
      );
    }
  return s.mesh();
}
