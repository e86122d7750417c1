import type { GoalKindId, RedactedGoal, RedactedOf } from '@core/goals';
import { FollowOrbitOverlay } from './followOrbit/Overlay';
import { FrameItOverlay } from './frameIt/Overlay';
import type { Overlay } from './goalParts';
import { StandHereOverlay } from './standHere/Overlay';

/** What each kind of goal draws over the stage, in Practise and in Build; null: nothing. */
const OVERLAYS = {
  matchView: null,
  callView: null,
  followOrbit: FollowOrbitOverlay,
  frameIt: FrameItOverlay,
  cutToReveal: null,
  standHere: StandHereOverlay,
} satisfies { readonly [K in GoalKindId]: Overlay<RedactedOf<K>> | null };

export const overlayOf = (goal: RedactedGoal): Overlay<RedactedGoal> | null => OVERLAYS[goal.kind] as Overlay<RedactedGoal> | null;
