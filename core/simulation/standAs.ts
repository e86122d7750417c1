import { dot, sub } from '../math';
import { headingOf } from '../navigation';
import { anglesOf, eyeOf, type View, wrapAngle } from '../view';
import { type Actor, NEAR_ANGLE } from './actor';

/** Walks, rises and looks until the eye is where it should be. */
export function standAs(actor: Actor, target: View): void {
  const { recorder, hand, learner } = actor;
  for (let i = 0; i <= learner.corrections; i++) {
    const { view } = recorder.scene();
    const way = sub(eyeOf(target), eyeOf(view));
    const { ahead, right } = headingOf(view);
    const [forward, aside] = [dot(way, ahead), dot(way, right)];
    if (Math.abs(forward) + Math.abs(aside) > 0.05) hand.walk(forward, aside);
    if (Math.abs(way[2]) > 0.02) hand.rise(way[2]);
    const [now, wanted] = [anglesOf(recorder.scene().view.orientation), anglesOf(target.orientation)];
    const yaw = wrapAngle(wanted.azimuth - now.azimuth);
    const pitch = now.elevation - wanted.elevation;
    if (Math.abs(yaw) + Math.abs(pitch) > NEAR_ANGLE) hand.look(yaw, pitch);
  }
}
