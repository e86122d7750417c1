import type { Quat } from '../math';
import { directionError } from '../measures';
import type { CommandKind } from '../navigation';
import { anglesOf, wrapAngle } from '../view';
import type { Moment, Turned } from './moment';
import { atGesture, type StepDone, sceneAfter, sceneBefore } from './stepDone';

const DEGREE = Math.PI / 180;
/** A turn went the wrong way when the direction is larger by this, and larger than that. */
const LARGER = 10 * DEGREE;
const FAR = 15 * DEGREE;

const TURNS: ReadonlySet<CommandKind> = new Set(['orbit', 'turn', 'look']);

/** From one orientation to another, as the eye goes round, or as the gaze goes. */
function turnedBy(from: Quat, to: Quat, standing: boolean): Turned {
  const [a, b] = [anglesOf(from), anglesOf(to)];
  const round = wrapAngle(b.azimuth - a.azimuth);
  return standing ? { right: -round, higher: a.elevation - b.elevation } : { right: round, higher: b.elevation - a.elevation };
}

/** Gestures that turned away from the target. */
export function wrongWays(done: StepDone): Moment[] {
  const target = done.aim?.target?.view.orientation;
  if (!target) return [];
  const standing = done.aim?.standing ?? false;
  return done.gestures.flatMap((gesture): Moment[] => {
    if (!TURNS.has(gesture.kind)) return [];
    const [before, after] = [sceneBefore(done, gesture).view.orientation, sceneAfter(done, gesture).view.orientation];
    const [was, is] = [directionError(before, target), directionError(after, target)];
    if (is - was < LARGER || is <= FAR) return [];
    const figures = {
      gesture: gesture.kind,
      turned: turnedBy(before, after, standing),
      target: turnedBy(before, target, standing),
      larger: is - was,
      standing,
    };
    return [{ kind: 'wrongWay', figures, ...atGesture(gesture) }];
  });
}
