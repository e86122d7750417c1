import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { QuickCalls } from './kind';

/** The gestures that are called. */
export const quickCallsAim: GoalAim<QuickCalls> = {
  aim: ({ calls, rounds, seconds }) => ({ ...NO_AIM, quick: { calls, rounds, seconds } }),
  pictured: () => null,
};
