import type { Goal, GoalKindId, GoalOf } from '@core/goals';
import { CallViewFields } from './callView/Fields';
import { CutToRevealFields } from './cutToReveal/Fields';
import { FindItFields } from './findIt/Fields';
import { FollowOrbitFields } from './followOrbit/Fields';
import { FrameItFields } from './frameIt/Fields';
import { GetBackFields } from './getBack/Fields';
import type { Fields } from './goalParts';
import { MatchViewFields } from './matchView/Fields';
import { MeasureItFields } from './measureIt/Fields';
import { QuickCallsFields } from './quickCalls/Fields';
import { SeeAllFields } from './seeAll/Fields';
import { StandHereFields } from './standHere/Fields';
import { WhichWayFields } from './whichWay/Fields';

/** What each kind of goal asks to be set in Build. */
const FIELDS = {
  matchView: MatchViewFields,
  callView: CallViewFields,
  followOrbit: FollowOrbitFields,
  frameIt: FrameItFields,
  cutToReveal: CutToRevealFields,
  standHere: StandHereFields,
  getBack: GetBackFields,
  quickCalls: QuickCallsFields,
  seeAll: SeeAllFields,
  whichWay: WhichWayFields,
  findIt: FindItFields,
  measureIt: MeasureItFields,
} satisfies { readonly [K in GoalKindId]: Fields<GoalOf<K>> };

export const fieldsOf = (goal: Goal): Fields<Goal> => FIELDS[goal.kind] as unknown as Fields<Goal>;
