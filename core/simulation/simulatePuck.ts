import { puckReports, type SixAxes } from '../input';
import { randomFrom } from '../math';

/** A stroke held for some seconds; the cap eases into and out of it. */
export interface PuckStroke {
  readonly axes: SixAxes;
  readonly seconds: number;
  readonly buttons?: readonly number[];
}

/** A hand trembles by this share of the full stroke. */
export const TREMOR = 0.004;

/** Input reports of the simulated 3D mouse for a script of strokes, `hz` a second, with the time of each, seconds. The same seed trembles the same. */
export function simulatePuck(script: readonly PuckStroke[], hz: number, seed: number, tremor: number = TREMOR): { t: number; id: number; data: Uint8Array }[] {
  const random = randomFrom(seed);
  const found: { t: number; id: number; data: Uint8Array }[] = [];
  let t = 0;
  for (const stroke of script) {
    const count = Math.max(1, Math.round(stroke.seconds * hz));
    for (let i = 0; i < count; i++) {
      const s = count === 1 ? 1 : i / (count - 1);
      const eased = Math.min(1, 4 * s, 4 * (1 - s));
      const axes = stroke.axes.map((a) => (a === 0 ? 0 : a * eased + tremor * random.normal())) as unknown as SixAxes;
      for (const report of puckReports(axes, stroke.buttons ?? [])) found.push({ t, ...report });
      t += 1 / hz;
    }
  }
  for (const report of puckReports([0, 0, 0, 0, 0, 0], [])) found.push({ t, ...report });
  return found;
}
