import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { FrameIt } from './kind';

/** The subject between the inner lines. */
export const frameItAim: GoalAim<FrameIt> = {
  aim: ({ subject, margins }) => ({ ...NO_AIM, subject, margins }),
  pictured: () => null,
};
