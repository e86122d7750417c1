import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { SeeAll } from './kind';

/** The surface to be seen. */
export const seeAllAim: GoalAim<SeeAll> = {
  aim: ({ parts, sides, near, leftOut }) => ({ ...NO_AIM, subject: parts, see: { parts, sides, near, leftOut: leftOut ?? null } }),
  pictured: () => null,
};
