import { gestureCounts, measure, measuredOf, shortestWayBack } from '../../criteria';
import { isAllowed } from '../../exercise/commandGroups';
import type { MakeDetail } from '../detail';
import { getBackAim } from './aim';
import type { GetBack } from './kind';

/** How many gestures it took, and how few would have done. */
export const getBackDetail: MakeDetail<GetBack> = (goal, evidence, model, allowed) => {
  const aim = getBackAim.aim(goal, 'recover');
  const way = shortestWayBack(measuredOf(aim, model, evidence.before, null), ({ kind }) => isAllowed(kind, allowed));
  return {
    kind: 'back',
    gestures: gestureCounts(evidence.moves).gestures,
    seconds: measure('recoverTime', measuredOf(aim, model, evidence.after, evidence)),
    shortest: way?.map(({ kind }) => kind).filter((kind) => kind !== 'select') ?? null,
  };
};
