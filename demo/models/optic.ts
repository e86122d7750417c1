import type { Mesh, Vec3 } from '@core';
import { createShaper, PAINT, type Place } from './shaper';

const PANELS = 8;
const RADIUS = 0.72;

/** Places a ring drawn about +Z onto the outward face of panel `k`. Panel 1 faces the front. */
const ontoPanel =
  (k: number, out: number, height: number): Place =>
  ([x, y, z]) => {
    const a = -Math.PI / 2 + (2 * Math.PI * k) / PANELS;
    const r = out + z;
    // Across the panel to its left as seen from outside, so that nothing is mirrored.
    return [r * Math.cos(a) - x * Math.sin(a), r * Math.sin(a) + x * Math.cos(a), height + y] as Vec3;
  };

/** A revolving lens of eight near-identical panels: only the plate, one repaired prism and the lamp-changer tell its front. */
export function optic(): Mesh {
  const s = createShaper();
  const root = s.part('optic', null);
  const pedestal = s.part('pedestal', root);
  s.part('foot', pedestal, PAINT.stone);
  s.turned(
    [0, 0, 0],
    [
      [0.78, 0],
      [0.78, 0.06],
      [0.7, 0.14],
      [0.62, 0.22],
    ],
    48,
  );
  s.part('column', pedestal, PAINT.stone);
  s.turned(
    [0, 0, 0],
    [
      [0.56, 0.22],
      [0.5, 0.3],
      [0.5, 0.5],
      [0.58, 0.56],
    ],
    48,
  );
  s.part("maker's plate", pedestal, PAINT.green);
  s.box([-0.13, -0.53, 0.34], [0.13, -0.49, 0.46]);
  const frame = s.part('frame', root);
  s.part('lower ring', frame, PAINT.brass);
  s.ring(
    [0, 0, 0],
    [
      [0.6, 0.56],
      [0.8, 0.56],
      [0.8, 0.66],
      [0.6, 0.66],
    ],
    48,
  );
  s.part('upper ring', frame, PAINT.brass);
  s.ring(
    [0, 0, 0],
    [
      [0.6, 1.56],
      [0.8, 1.56],
      [0.8, 1.66],
      [0.6, 1.66],
    ],
    48,
  );
  for (let k = 0; k < PANELS; k++) {
    const a = -Math.PI / 2 + (2 * Math.PI * (k + 0.5)) / PANELS;
    s.part(`post ${k + 1}`, frame, PAINT.darkBrass);
    s.bar([0.75 * Math.cos(a), 0.75 * Math.sin(a), 0.66], [0.75 * Math.cos(a), 0.75 * Math.sin(a), 1.56], 0.028, 12);
  }
  const panels = s.part('panels', root);
  for (let k = 0; k < PANELS; k++) {
    const panel = s.part(`panel ${k + 1}`, panels);
    s.part('bull’s-eye', panel, PAINT.glass);
    s.turned(
      [0, 0, 0],
      [
        [0.08, 0],
        [0.07, 0.03],
        [0.045, 0.05],
        [0.01, 0.058],
      ],
      24,
      ontoPanel(k, RADIUS - 0.05, 1.11),
    );
    for (let ring = 0; ring < 4; ring++) {
      const r = 0.095 + ring * 0.042;
      s.part(`prism ${ring + 1}`, panel, k === 0 && ring === 2 ? PAINT.red : PAINT.glass);
      s.ring(
        [0, 0, 0],
        [
          [r, 0],
          [r + 0.032, 0],
          [r + 0.026, 0.03],
          [r + 0.006, 0.045],
        ],
        32,
        ontoPanel(k, RADIUS - 0.05, 1.11),
      );
    }
    for (const [name, height] of [
      ['upper bar', 1.44],
      ['lower bar', 0.75],
    ] as const) {
      s.part(name, panel, PAINT.glass);
      s.box([-0.23, -0.035, 0], [0.23, 0.035, 0.05], ontoPanel(k, RADIUS - 0.05, height));
    }
  }
  const lamp = s.part('lamp', root);
  s.part('burner', lamp, PAINT.darkBrass);
  s.turned(
    [0, 0, 0],
    [
      [0.1, 0.66],
      [0.06, 0.72],
      [0.05, 0.98],
      [0.08, 1.0],
    ],
    20,
  );
  s.part('mantle', lamp, PAINT.white);
  s.turned(
    [0, 0, 0],
    [
      [0.05, 1.0],
      [0.06, 1.06],
      [0.05, 1.16],
      [0.02, 1.2],
    ],
    20,
  );
  s.part('lamp-changer', lamp, PAINT.red);
  s.box([0.12, -0.05, 0.66], [0.3, 0.05, 0.78]);
  s.bar([0.2, 0, 0.78], [0.2, 0, 0.95], 0.02);
  const roof = s.part('roof', root);
  s.part('dome', roof, PAINT.brass);
  s.turned(
    [0, 0, 0],
    [
      [0.8, 1.66],
      [0.78, 1.7],
      [0.6, 1.82],
      [0.3, 1.92],
      [0.14, 1.95],
    ],
    48,
  );
  s.part('vent', roof, PAINT.darkBrass);
  s.turned(
    [0, 0, 0],
    [
      [0.1, 1.95],
      [0.1, 2.12],
      [0.02, 2.14],
    ],
    24,
  );
  return s.mesh();
}
