import { aboutZ, multiply, randomFrom } from '../math';
import { EMPTY_HISTORY, type Scene } from '../navigation';
import { anglesOf, orientationFrom, type View } from '../view';
import type { Exercise } from './exerciseSchema';

/** Turned starts stand at these steps all round. */
const ROUND = 8;
/** Apart from whatever else a seed decides in an attempt. */
const SALT = 0x5bd1e995;

/** A view from farther round its middle, radians to the right. */
const turnedView = (view: View, angle: number): View => ({ ...view, orientation: multiply(aboutZ(angle), view.orientation) });

/** A view as a mirror would show it: from as far to the left as it was to the right, rolled the other way. */
function mirroredView(view: View): View {
  const { azimuth, elevation, roll } = anglesOf(view.orientation);
  return { ...view, orientation: orientationFrom({ azimuth: -azimuth, elevation, roll: -roll }) };
}

const withView = (start: Scene, view: View): Scene => ({ ...start, view, history: EMPTY_HISTORY });

/** The scenes in which attempts at an exercise begin, each as likely as the others; the first is its own start. */
export function startsOf({ start, variants }: Pick<Exercise, 'start' | 'variants'>): readonly Scene[] {
  switch (variants?.kind) {
    case undefined:
      return [start];
    case 'turned':
      return Array.from({ length: ROUND }, (_, i) => (i === 0 ? start : withView(start, turnedView(start.view, (2 * Math.PI * i) / ROUND))));
    case 'mirrored':
      return [start, withView(start, mirroredView(start.view))];
    case 'starts':
      return [start, ...variants.starts];
  }
}

/** The scene in which the attempt of a seed begins. */
export function startFor(exercise: Pick<Exercise, 'start' | 'variants'>, seed: number): Scene {
  const starts = startsOf(exercise);
  return starts.length === 1 ? exercise.start : (starts[randomFrom((seed ^ SALT) >>> 0).below(starts.length)] ?? exercise.start);
}
