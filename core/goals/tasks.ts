import { type Mesh, placedPart } from '../geometry';
import { callViewTask } from './callView/task';
import { cutToRevealTask } from './cutToReveal/task';
import { findItTask } from './findIt/task';
import { followOrbitTask } from './followOrbit/task';
import { frameItTask } from './frameIt/task';
import { getBackTask } from './getBack/task';
import type { GoalTask } from './goalKind';
import type { GoalKindId, RedactedGoal, RedactedOf } from './kinds';
import { matchViewTask } from './matchView/task';
import { measureItTask } from './measureIt/task';
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
  findIt: findItTask,
  measureIt: measureItTask,
} satisfies { readonly [K in GoalKindId]: GoalTask<RedactedOf<K>, unknown> };

/** Ids of all parts that commands may name in an exercise: those of the model, and the objects that its steps place in it. */
export const partIdsIn = (steps: readonly { readonly goal: RedactedGoal }[], mesh: Mesh): ReadonlySet<string> =>
  new Set([...mesh.parts.map(({ id }) => id), ...steps.flatMap(({ goal }) => (taskOf(goal).placed?.(goal) ?? []).map(({ id }) => placedPart(id)))]);

/** Whether the stage stands still in steps of a kind: what it shows is what is asked. */
export const isStill = (kind: GoalKindId): boolean => (TASKS[kind] as GoalTask<never, unknown>).still === true;

/** How a step is done, to be watched; nothing where the stage stands still. */
export const watchOf = <W>({ goal, watch }: { readonly goal: { readonly kind: GoalKindId }; readonly watch?: W | undefined }): W | undefined =>
  isStill(goal.kind) ? undefined : watch;

/** Whether one may look round before steps of a kind: not where the stage stands still, or where being lost is what is asked. */
export const mayLookFirst = (kind: GoalKindId): boolean => !isStill(kind) && (TASKS[kind] as GoalTask<never, unknown>).ownStart !== true;

/** Whether one looks round before a step, off the clock. */
export const looksFirst = ({ goal, freeLook }: { readonly goal: { readonly kind: GoalKindId }; readonly freeLook?: true | undefined }): boolean =>
  freeLook === true && mayLookFirst(goal.kind);

/** The task of a goal; its state is known to itself alone. */
export const taskOf = (goal: RedactedGoal): GoalTask<RedactedGoal, unknown> => TASKS[goal.kind] as unknown as GoalTask<RedactedGoal, unknown>;
