import { callViewDetail } from './callView/detail';
import { cutToRevealDetail } from './cutToReveal/detail';
import type { MakeDetail } from './detail';
import { findItDetail } from './findIt/detail';
import { followOrbitDetail } from './followOrbit/detail';
import { frameItDetail } from './frameIt/detail';
import { getBackDetail } from './getBack/detail';
import type { Goal, GoalKindId, GoalOf } from './kinds';
import { matchViewDetail } from './matchView/detail';
import { measureItDetail } from './measureIt/detail';
import { quickCallsDetail } from './quickCalls/detail';
import { seeAllDetail } from './seeAll/detail';
import { standHereDetail } from './standHere/detail';
import { whichWayDetail } from './whichWay/detail';

/** What a card draws of each kind of goal. */
const DETAILS = {
  matchView: matchViewDetail,
  callView: callViewDetail,
  followOrbit: followOrbitDetail,
  frameIt: frameItDetail,
  cutToReveal: cutToRevealDetail,
  standHere: standHereDetail,
  getBack: getBackDetail,
  quickCalls: quickCallsDetail,
  seeAll: seeAllDetail,
  whichWay: whichWayDetail,
  findIt: findItDetail,
  measureIt: measureItDetail,
} satisfies { readonly [K in GoalKindId]: MakeDetail<GoalOf<K>> };

export const detailOf = (goal: Goal): MakeDetail<Goal> => DETAILS[goal.kind] as unknown as MakeDetail<Goal>;
