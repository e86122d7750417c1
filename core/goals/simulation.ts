import type { Actor } from '../simulation/actor';
import { simulateCallView } from './callView/simulate';
import { simulateCutToReveal } from './cutToReveal/simulate';
import { simulateFindIt } from './findIt/simulate';
import { simulateFollowOrbit } from './followOrbit/simulate';
import { simulateFrameIt } from './frameIt/simulate';
import { simulateGetBack } from './getBack/simulate';
import type { Goal, GoalKindId, GoalOf } from './kinds';
import { simulateMatchView } from './matchView/simulate';
import { simulateMeasureIt } from './measureIt/simulate';
import { simulateQuickCalls } from './quickCalls/simulate';
import { simulateSeeAll } from './seeAll/simulate';
import { simulateStandHere } from './standHere/simulate';
import { simulateWhichWay } from './whichWay/simulate';

/** How a simulated learner goes about each kind of goal. */
const SIMULATIONS = {
  matchView: simulateMatchView,
  callView: simulateCallView,
  followOrbit: simulateFollowOrbit,
  frameIt: simulateFrameIt,
  cutToReveal: simulateCutToReveal,
  standHere: simulateStandHere,
  getBack: simulateGetBack,
  quickCalls: simulateQuickCalls,
  seeAll: simulateSeeAll,
  whichWay: simulateWhichWay,
  findIt: simulateFindIt,
  measureIt: simulateMeasureIt,
} satisfies { readonly [K in GoalKindId]: (actor: Actor, goal: GoalOf<K>) => void };

/** Does a step of this goal. */
export const simulateGoal = (actor: Actor, goal: Goal): void => (SIMULATIONS[goal.kind] as (actor: Actor, goal: Goal) => void)(actor, goal);
