import { choice, standard, withEverywhere } from '../choices';
import type { CriterionChoice } from '../goalKind';
import type { CallView } from './kind';

/** How near the answers came, and how quickly; faces and standard views each where they are called. */
export function callViewCriteria({ calls }: CallView): CriterionChoice[] {
  const faces = calls.some((call) => call.kind === 'face');
  const views = calls.some((call) => call.kind !== 'face');
  return withEverywhere([
    ...(views ? [standard('standardAngle', 5, { must: true })] : []),
    ...(faces ? [standard('normalAngle', 3)] : []),
    standard('wrongTurns', 2),
    standard('callTime', 1),
    standard('gestures', 0, { full: 6, zero: 60 }),
    ...(views ? [] : [choice('standardAngle')]),
    ...(faces ? [] : [choice('normalAngle')]),
  ]);
}
