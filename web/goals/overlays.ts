import type { GoalKindId, RedactedGoal, RedactedOf } from '@core/goals';
import { lazy } from 'react';
import type { Overlay } from './goalParts';

/** What each kind of goal draws over the stage, in Practise and in Build, loaded where it is drawn; null: nothing. */
const OVERLAYS = {
  matchView: null,
  callView: null,
  followOrbit: lazy(async () => ({ default: (await import('./followOrbit/Overlay')).FollowOrbitOverlay })),
  frameIt: lazy(async () => ({ default: (await import('./frameIt/Overlay')).FrameItOverlay })),
  cutToReveal: null,
  getBack: null,
  quickCalls: null,
  seeAll: null,
  findIt: null,
  measureIt: null,
  whichWay: lazy(async () => ({ default: (await import('./whichWay/Overlay')).WhichWayOverlay })),
  standHere: lazy(async () => ({ default: (await import('./standHere/Overlay')).StandHereOverlay })),
} satisfies { readonly [K in GoalKindId]: Overlay<RedactedOf<K>> | null };

export const overlayOf = (goal: RedactedGoal): Overlay<RedactedGoal> | null => OVERLAYS[goal.kind] as Overlay<RedactedGoal> | null;
