import { NO_AIM } from '../../criteria/aim';
import { EMPTY_HISTORY } from '../../navigation/scene';
import type { GoalAim } from '../goalAim';
import type { CutToReveal } from './kind';

/** The cut, and what must be seen after it. */
export const cutToRevealAim: GoalAim<CutToReveal> = {
  aim: ({ plane, reveal }) => ({ ...NO_AIM, cut: plane, reveal: reveal.length > 0 ? reveal : null }),
  pictured: ({ plane }, start) => (plane ? { ...start, section: plane, history: EMPTY_HISTORY } : null),
};
