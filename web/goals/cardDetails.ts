import type { GoalKindId } from '@core/goals';
import { lazy } from 'react';
import type { CardDetail } from './goalParts';

/** What a card draws of each kind of goal; loaded when a card needs it. */
const CARD_DETAILS = {
  matchView: lazy(async () => ({ default: (await import('./matchView/CardDetail')).MatchViewDetail })),
  callView: lazy(async () => ({ default: (await import('./callView/CardDetail')).CallViewDetail })),
  followOrbit: lazy(async () => ({ default: (await import('./followOrbit/CardDetail')).FollowOrbitDetail })),
  frameIt: lazy(async () => ({ default: (await import('./frameIt/CardDetail')).FrameItDetail })),
  standHere: lazy(async () => ({ default: (await import('./standHere/CardDetail')).StandHereDetail })),
  getBack: lazy(async () => ({ default: (await import('./getBack/CardDetail')).GetBackDetail })),
  quickCalls: lazy(async () => ({ default: (await import('./quickCalls/CardDetail')).QuickCallsDetail })),
  seeAll: lazy(async () => ({ default: (await import('./seeAll/CardDetail')).SeeAllDetail })),
  whichWay: lazy(async () => ({ default: (await import('./whichWay/CardDetail')).WhichWayDetail })),
  findIt: lazy(async () => ({ default: (await import('./findIt/CardDetail')).FindItDetail })),
  measureIt: lazy(async () => ({ default: (await import('./measureIt/CardDetail')).MeasureItDetail })),
  cutToReveal: lazy(async () => ({ default: (await import('./cutToReveal/CardDetail')).CutToRevealDetail })),
} satisfies { readonly [K in GoalKindId]: CardDetail };

export const cardDetailOf = (kind: GoalKindId): CardDetail => CARD_DETAILS[kind];
