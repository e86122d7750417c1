import { exact } from '../math';
import type { Command, Scene } from '../navigation';
import { FRAME } from '../view';
import type { SixAxes } from './gesture';
import type { Scheme } from './schemeSchema';

/** The six strokes in their order, by what the hand does. */
export const AXIS_NAMES = ['slide', 'push', 'lift', 'tilt', 'lean', 'twist'] as const;

export interface AxesOptions {
  /** Share of the full stroke that counts as rest. */
  readonly deadZone: number;
  /** Exponent: above 1 gentle near rest. */
  readonly curve: number;
  /** One factor an axis; negative turns it about. */
  readonly gains: SixAxes;
  /** Only the axis that is pushed farthest counts. */
  readonly dominant?: boolean | undefined;
}

/** Strokes after dead zone, curve and gain, times `dt` seconds: how far each axis goes in this moment. */
export function shapeAxes(axes: SixAxes, options: AxesOptions, dt: number): SixAxes {
  const sizes = axes.map((stroke) => Math.min(1, Math.abs(stroke)));
  const farthest = sizes.indexOf(Math.max(...sizes));
  const shaped = axes.map((stroke, i) => {
    const size = sizes[i] ?? 0;
    if (!(size > options.deadZone) || (options.dominant && i !== farthest)) return 0;
    const share = (size - options.deadZone) / (1 - options.deadZone);
    return Math.sign(stroke) * exact.pow(share, options.curve) * (options.gains[i] ?? 1) * dt;
  });
  return shaped as unknown as SixAxes;
}

export const USUAL_PUCK = { deadZone: 0.06, curve: 1.6, gains: [1, 1, 1, 1, 1, 1] as SixAxes, moves: 'model' as const };

/** A full stroke slides by this many frame heights, zooms by this many octaves, turns by this many radians, each a second. */
const SLIDE = 0.8;
const OCTAVES = 1.4;
const TURN = 1.4;

/**
 * Six strokes as commands. Moving the model: sliding right takes the model right, lifting takes it up, pushing away
 * makes it smaller, tilting and twisting turn it the same way. Moving the camera: all of it the other way round.
 */
export function resolveAxes(scheme: Scheme, axes: SixAxes, dt: number, scene: Scene): Command[] {
  const puck = scheme.options.puck ?? USUAL_PUCK;
  const [x, y, z, rx, ry, rz] = shapeAxes(axes, puck, dt);
  const way = puck.moves === 'model' ? 1 : -1;
  const commands: Command[] = [];
  if (x !== 0 || z !== 0) commands.push({ kind: 'pan', dx: x * SLIDE * FRAME.height * way, dy: -z * SLIDE * FRAME.height * way });
  if (y !== 0) commands.push({ kind: 'zoom', factor: exact.pow(2, -y * OCTAVES * way) });
  if (rz !== 0 || rx !== 0) {
    const pivot = scene.selection.point;
    // One frame height of drag turns pi. Twisted anticlockwise from above, the model's front goes right; tilted about the
    // axis to the right, its top comes nearer.
    commands.push({
      kind: 'orbit',
      dx: ((rz * TURN) / Math.PI) * FRAME.height * way,
      dy: ((rx * TURN) / Math.PI) * FRAME.height * way,
      mode: scheme.options.orbit,
      ...(pivot ? { pivot } : {}),
    });
  }
  if (ry !== 0) commands.push({ kind: 'roll', angle: ry * TURN * way });
  return commands;
}
