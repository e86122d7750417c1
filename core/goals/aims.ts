import type { Aim, Method } from '../criteria';
import type { SkillId } from '../exercise/skills';
import type { ScoredModel } from '../model';
import type { Scene } from '../navigation';
import { callViewAim } from './callView/aim';
import { cutToRevealAim } from './cutToReveal/aim';
import { findItAim } from './findIt/aim';
import { followOrbitAim } from './followOrbit/aim';
import { frameItAim } from './frameIt/aim';
import { getBackAim } from './getBack/aim';
import type { GoalAim } from './goalAim';
import type { Goal, GoalKindId, GoalOf } from './kinds';
import { matchViewAim } from './matchView/aim';
import { measureItAim } from './measureIt/aim';
import { quickCallsAim } from './quickCalls/aim';
import { seeAllAim } from './seeAll/aim';
import { standHereAim } from './standHere/aim';
import { whichWayAim } from './whichWay/aim';

/** What each kind of goal asks for. */
const AIMS = {
  matchView: matchViewAim,
  callView: callViewAim,
  followOrbit: followOrbitAim,
  frameIt: frameItAim,
  cutToReveal: cutToRevealAim,
  standHere: standHereAim,
  getBack: getBackAim,
  quickCalls: quickCallsAim,
  seeAll: seeAllAim,
  whichWay: whichWayAim,
  findIt: findItAim,
  measureIt: measureItAim,
} satisfies { readonly [K in GoalKindId]: GoalAim<GoalOf<K>> };

const aimOfKind = (goal: Goal): GoalAim<Goal> => AIMS[goal.kind] as unknown as GoalAim<Goal>;

/** What a step asks for, in the terms of the criteria. */
export const aimOf = ({ goal, skill, method }: { readonly goal: Goal; readonly skill: SkillId; readonly method?: Method | undefined }): Aim => {
  const aim = aimOfKind(goal).aim(goal, skill);
  return method ? { ...aim, method } : aim;
};

/** The scene that a goal's target picture shows; null where a picture tells nothing. */
export const picturedBy = (goal: Goal, start: Scene): Scene | null => aimOfKind(goal).pictured(goal, start);

/** The scenes that the stage shows one after the other in the course of a step; none where it shows what a learner moves to. */
export const shownBy = (goal: Goal, model: ScoredModel): readonly Scene[] => aimOfKind(goal).shown?.(goal, model) ?? [];
