import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { MeasureIt } from './kind';

/** What has to be measured. */
export const measureItAim: GoalAim<MeasureIt> = {
  aim: ({ asks }) => ({ ...NO_AIM, measure: asks }),
  pictured: () => null,
};
