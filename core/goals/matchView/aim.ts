import { NO_AIM } from '../../criteria/aim';
import type { GoalAim } from '../goalAim';
import type { MatchView } from './kind';

/** The recorded scene itself. */
export const matchViewAim: GoalAim<MatchView> = {
  aim: ({ target, subject }, skill) => ({ ...NO_AIM, subject, target, cut: target.section, cutParts: target.visibility, standing: skill === 'stand' }),
  pictured: ({ target }) => target,
};
