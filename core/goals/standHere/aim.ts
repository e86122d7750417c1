import { NO_AIM } from '../../criteria/aim';
import { addScaled, backOf } from '../../math';
import { initialScene } from '../../navigation';
import type { View } from '../../view';
import type { GoalAim } from '../goalAim';
import type { StandHere } from './kind';

/** What one who stands looks at is taken to be this far away, metres. */
const FOCUS = 2;

/** The view of one who stands there. */
export const viewFrom = ({ eye, orientation, fovY }: StandHere): View => ({
  target: addScaled(eye, backOf(orientation), -FOCUS),
  orientation,
  distance: FOCUS,
  projection: 'perspective',
  fovY,
});

/** The place of an eye, and the way that it looks. */
export const standHereAim: GoalAim<StandHere> = {
  aim: (goal) => ({ ...NO_AIM, target: initialScene(viewFrom(goal)), standing: true, stand: { eye: goal.eye, level: goal.level } }),
  pictured: (goal) => initialScene(viewFrom(goal)),
};
