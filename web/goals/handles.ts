import type { Goal, GoalKindId, GoalOf } from '@core/goals';
import { FindItHandles } from './findIt/Handles';
import type { Handles } from './goalParts';

/** What of a goal can be taken in hand on the stage of Build alone; what Practise draws as well is an overlay. */
const HANDLES: { readonly [K in GoalKindId]?: Handles<GoalOf<K>> } = { findIt: FindItHandles };

export const handlesOf = (goal: Goal): Handles<Goal> | null => (HANDLES[goal.kind] as Handles<Goal> | undefined) ?? null;
