import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { CallView } from './kind';

/** The calls, in the order in which they are heard. */
export const callViewAim: GoalAim<CallView> = {
  aim: ({ calls, order }) => ({ ...NO_AIM, calls: { list: calls, order } }),
  pictured: () => null,
};
