import type { GoalKindId, RedactedGoal, RedactedOf } from '@core/goals';
import { CallViewPanel } from './callView/Panel';
import { CutToRevealPanel } from './cutToReveal/Panel';
import { FindItPanel } from './findIt/Panel';
import { FollowOrbitPanel } from './followOrbit/Panel';
import { FrameItPanel } from './frameIt/Panel';
import { GetBackPanel } from './getBack/Panel';
import type { Panel } from './goalParts';
import { MeasureItPanel } from './measureIt/Panel';
import { QuickCallsPanel } from './quickCalls/Panel';
import { SeeAllPanel } from './seeAll/Panel';
import { StandHerePanel } from './standHere/Panel';
import { WhichWayPanel } from './whichWay/Panel';

/** What each kind of goal shows beside the brief in Practise; null: the target's picture says it all. */
const PANELS = {
  matchView: null,
  callView: CallViewPanel,
  followOrbit: FollowOrbitPanel,
  frameIt: FrameItPanel,
  cutToReveal: CutToRevealPanel,
  standHere: StandHerePanel,
  getBack: GetBackPanel,
  quickCalls: QuickCallsPanel,
  seeAll: SeeAllPanel,
  whichWay: WhichWayPanel,
  findIt: FindItPanel,
  measureIt: MeasureItPanel,
} satisfies { readonly [K in GoalKindId]: Panel<RedactedOf<K>> | null };

export const panelOf = (goal: RedactedGoal): Panel<RedactedGoal> | null => PANELS[goal.kind] as Panel<RedactedGoal> | null;
