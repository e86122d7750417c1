import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { FindIt } from './kind';

/** The things that are sought. */
export const findItAim: GoalAim<FindIt> = {
  aim: ({ items }) => ({ ...NO_AIM, find: items }),
  pictured: () => null,
};
