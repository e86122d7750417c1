import { boxOf, type Mesh, planeAxes } from '@core/geometry';
import { addScaled, dot, sub, unit, type Vec3 } from '@core/math';
import type { GridPlane } from '../aids';

/** A grid never has more lines than this each way. */
const MOST = 60;
/** Half lines beyond the model on each side, in lines. */
const AROUND = 2;
/** Own tints of the two axes, and of the lines, linear 0 … 1. */
const AXIS_TINTS = [
  [0.5, 0.09, 0.03],
  [0.02, 0.2, 0.17],
] as const;
const LINE_TINT = [0.33, 0.3, 0.24] as const;

export interface GridFrame {
  readonly origin: Vec3;
  readonly x: Vec3;
  readonly y: Vec3;
  /** Letters of the two axes; the world's own on level ground, U and V on a face. */
  readonly letters: readonly [string, string];
  /** Metres from the origin to each end of the axes. */
  readonly reach: readonly [u0: number, u1: number, v0: number, v1: number];
}

/** Where a grid lies: the axes of its plane, its origin, and how far it goes, in whole lines. */
export function gridFrame(grid: GridPlane, mesh: Mesh): GridFrame {
  const level = Math.abs(grid.normal[2]) > 1 - 1e-9;
  const axes = level ? { x: [1, 0, 0] as Vec3, y: [0, 1, 0] as Vec3 } : planeAxes({ normal: unit(grid.normal) ?? [0, 0, 1], offset: 0 });
  const box = boxOf(mesh) ?? { min: [0, 0, 0] as Vec3, max: [1, 1, 1] as Vec3 };
  const reach: [number, number, number, number] = [0, 0, 0, 0];
  for (let k = 0; k < 8; k++) {
    const corner: Vec3 = [k & 1 ? box.max[0] : box.min[0], k & 2 ? box.max[1] : box.min[1], k & 4 ? box.max[2] : box.min[2]];
    const d = sub(corner, grid.point);
    const u = dot(d, axes.x);
    const v = dot(d, axes.y);
    reach[0] = Math.min(reach[0], u);
    reach[1] = Math.max(reach[1], u);
    reach[2] = Math.min(reach[2], v);
    reach[3] = Math.max(reach[3], v);
  }
  const whole = (length: number): number => Math.sign(length) * Math.min(MOST / 2, Math.ceil(Math.abs(length) / grid.spacing) + AROUND) * grid.spacing;
  return {
    origin: grid.point,
    x: axes.x,
    y: axes.y,
    letters: level ? ['X', 'Y'] : ['U', 'V'],
    reach: [whole(reach[0] || -1e-9), whole(reach[1] || 1e-9), whole(reach[2] || -1e-9), whole(reach[3] || 1e-9)],
  };
}

/** The lines of a grid, two ends each, in world metres, with a colour per end. */
export function gridLines(grid: GridPlane, mesh: Mesh): { positions: Float32Array; colours: Float32Array } {
  const { origin, x, y, reach } = gridFrame(grid, mesh);
  const positions: number[] = [];
  const colours: number[] = [];
  const at = (u: number, v: number): Vec3 => addScaled(addScaled(origin, x, u), y, v);
  const line = (a: Vec3, b: Vec3, tint: readonly number[]): void => {
    positions.push(...a, ...b);
    colours.push(...tint, ...tint);
  };
  const [u0, u1, v0, v1] = reach;
  for (let k = Math.round(u0 / grid.spacing); k <= Math.round(u1 / grid.spacing); k++)
    line(at(k * grid.spacing, v0), at(k * grid.spacing, v1), k === 0 ? AXIS_TINTS[1] : LINE_TINT);
  for (let k = Math.round(v0 / grid.spacing); k <= Math.round(v1 / grid.spacing); k++)
    line(at(u0, k * grid.spacing), at(u1, k * grid.spacing), k === 0 ? AXIS_TINTS[0] : LINE_TINT);
  return { positions: new Float32Array(positions), colours: new Float32Array(colours) };
}
