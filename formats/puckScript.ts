import { AXIS_NAMES, type SixAxes } from '@core/input';
import type { PuckStroke } from '@core/simulation/simulatePuck';
import { z } from 'zod';
import { FormatError } from './formatError';
import { fitted, parseJson } from './jsonText';

const LARGEST = 200_000;
const LONGEST = 600;
const stroke = z.number().min(-1).max(1).default(0);
const strokes = Object.fromEntries(AXIS_NAMES.map((name) => [name, stroke])) as Record<(typeof AXIS_NAMES)[number], typeof stroke>;

/** One motion of the cap, held for some seconds: each stroke -1 … 1 of the full one; left out: at rest. `buttons` go down with it. */
const motionSchema = z.strictObject({
  ...strokes,
  seconds: z.number().gt(0).max(60),
  buttons: z.array(z.number().int().min(1).max(8)).max(8).default([]),
});

/** A script for the simulated 3D mouse: a JSON list of motions, one after the other. */
export const puckScriptSchema = z.array(motionSchema).min(1, 'a script has at least one motion').max(500);

/** Reads a script. Throws FormatError, with the line where there is one, for everything that is not one. */
export function readPuckScript(text: string): PuckStroke[] {
  if (text.length > LARGEST) throw new FormatError('limit', 'This is longer than any script of motions.');
  const motions = fitted(text, parseJson(text, 'Nothing was played.'), puckScriptSchema, 'Nothing was played.');
  const seconds = motions.reduce((sum, motion) => sum + motion.seconds, 0);
  if (seconds > LONGEST) throw new FormatError('limit', `The motions take ${Math.round(seconds)} s together: ${LONGEST} s at most.`);
  return motions.map((motion) => ({ axes: AXIS_NAMES.map((name) => motion[name]) as unknown as SixAxes, seconds: motion.seconds, buttons: motion.buttons }));
}
