import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { FollowOrbit } from './kind';

/** The line round its pivot. */
export const followOrbitAim: GoalAim<FollowOrbit> = {
  aim: ({ pivot, path }) => ({ ...NO_AIM, line: { pivot, path } }),
  pictured: () => null,
};
