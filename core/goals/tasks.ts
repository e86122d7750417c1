import { callViewTask } from './callView/task';
import { cutToRevealTask } from './cutToReveal/task';
import { followOrbitTask } from './followOrbit/task';
import { frameItTask } from './frameIt/task';
import { getBackTask } from './getBack/task';
import type { GoalTask } from './goalKind';
import type { GoalKindId, RedactedGoal, RedactedOf } from './kinds';
import { matchViewTask } from './matchView/task';
import { quickCallsTask } from './quickCalls/task';
import { seeAllTask } from './seeAll/task';
import { standHereTask } from './standHere/task';
import { whichWayTask } from './whichWay/task';

/** What each kind of goal asks for in the course of a step. */
const TASKS = {
  matchView: matchViewTask,
  callView: callViewTask,
  followOrbit: followOrbitTask,
  frameIt: frameItTask,
  cutToReveal: cutToRevealTask,
  standHere: standHereTask,
  getBack: getBackTask,
  quickCalls: quickCallsTask,
  seeAll: seeAllTask,
  whichWay: whichWayTask,
} satisfies { readonly [K in GoalKindId]: GoalTask<RedactedOf<K>, unknown> };

/** The task of a goal; its state is known to itself alone. */
export const taskOf = (goal: RedactedGoal): GoalTask<RedactedGoal, unknown> => TASKS[goal.kind] as unknown as GoalTask<RedactedGoal, unknown>;
