import { exact, length, type Quat, sub, unit, type Vec3 } from '../math';
import { anglesOf, orientationFrom } from './angles';
import { clampDistance, eyeOf, type View } from './view';

/** The point comes to the middle of the frame; size and orientation are kept. */
export const centre = (view: View, point: Vec3): View => ({ ...view, target: point });

/** The eye stays and turns towards the point, roll kept; target = point. At the eye itself nothing changes. */
export function lookAt(view: View, point: Vec3): View {
  const eye = eyeOf(view);
  const away = sub(eye, point);
  const distance = length(away);
  const back = unit(away);
  if (!back || distance < 1e-9) return view;
  return { ...view, orientation: facing(view.orientation, back), distance: clampDistance(distance), target: point };
}

/** The orientation with the given unit back axis and the roll of `from`; straight up or down it keeps the azimuth. */
export function facing(from: Quat, back: Vec3): Quat {
  const { azimuth, roll } = anglesOf(from);
  const flat = Math.sqrt(back[0] * back[0] + back[1] * back[1]);
  return orientationFrom({ azimuth: flat < 1e-10 ? azimuth : exact.atan2(back[0], -back[1]), elevation: exact.atan2(back[2], flat), roll });
}
