import { z } from 'zod';
import type { Criterion } from '../criteria';
import { callView, callViewSchema } from './callView/kind';
import { cutToReveal, cutToRevealSchema } from './cutToReveal/kind';
import { findIt, findItSchema } from './findIt/kind';
import { followOrbit, followOrbitSchema } from './followOrbit/kind';
import { frameIt, frameItSchema } from './frameIt/kind';
import { getBack, getBackSchema } from './getBack/kind';
import type { CriterionChoice, GoalKind } from './goalKind';
import { matchView, matchViewSchema } from './matchView/kind';
import { measureIt, measureItSchema } from './measureIt/kind';
import { quickCalls, quickCallsSchema } from './quickCalls/kind';
import { seeAll, seeAllSchema } from './seeAll/kind';
import { standHere, standHereSchema } from './standHere/kind';
import { whichWay, whichWaySchema } from './whichWay/kind';

/** The data of every kind of goal: what an exercise keeps of one. */
export const goalSchema = z.discriminatedUnion('kind', [
  matchViewSchema,
  callViewSchema,
  followOrbitSchema,
  frameItSchema,
  cutToRevealSchema,
  standHereSchema,
  getBackSchema,
  quickCallsSchema,
  seeAllSchema,
  whichWaySchema,
  findItSchema,
  measureItSchema,
]);
export type Goal = z.infer<typeof goalSchema>;
export type GoalKindId = Goal['kind'];
export type GoalOf<K extends GoalKindId> = Extract<Goal, { kind: K }>;

/** Every kind of goal by its id, in the order in which they are offered. */
const KINDS = { matchView, callView, followOrbit, frameIt, cutToReveal, standHere, getBack, quickCalls, seeAll, whichWay, findIt, measureIt } satisfies {
  readonly [K in GoalKindId]: GoalKind<GoalOf<K>, { readonly kind: K }>;
};

export const GOAL_KINDS = Object.keys(KINDS) as readonly GoalKindId[];

/** What a trainee's browser may hold of a goal while the target is hidden. */
export const redactedGoalSchema = z.discriminatedUnion('kind', [
  matchView.redactedSchema,
  callView.redactedSchema,
  followOrbit.redactedSchema,
  frameIt.redactedSchema,
  cutToReveal.redactedSchema,
  standHere.redactedSchema,
  getBack.redactedSchema,
  quickCalls.redactedSchema,
  seeAll.redactedSchema,
  whichWay.redactedSchema,
  findIt.redactedSchema,
  measureIt.redactedSchema,
] as never) as unknown as z.ZodType<RedactedGoal>;
export type RedactedOf<K extends GoalKindId> = ReturnType<(typeof KINDS)[K]['redact']>;
export type RedactedGoal = { [K in GoalKindId]: RedactedOf<K> }[GoalKindId];

/** The kind of a goal. */
export const kindOf = (goal: Pick<Goal, 'kind'>): GoalKind<Goal, RedactedGoal> => kindById(goal.kind);
export const kindById = (id: GoalKindId): GoalKind<Goal, RedactedGoal> => KINDS[id] as unknown as GoalKind<Goal, RedactedGoal>;

const plain = ({ standard: _, ...criterion }: CriterionChoice): Criterion => criterion;

/** Criteria that a new step is judged by, with tolerances and weights to begin with. */
export const defaultCriteria = (goal: Goal): Criterion[] =>
  kindOf(goal)
    .criteria(goal)
    .filter((choice) => choice.standard)
    .map(plain);

/** Everything that a goal can be judged by, each as it would be added. */
export const criteriaFor = (goal: Goal): Criterion[] => kindOf(goal).criteria(goal).map(plain);
