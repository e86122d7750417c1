import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { GetBack } from './kind';

/** The subject, whole and readable. */
export const getBackAim: GoalAim<GetBack> = {
  aim: ({ subject }) => ({ ...NO_AIM, subject, recover: true }),
  pictured: () => null,
};
