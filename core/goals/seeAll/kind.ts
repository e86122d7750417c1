import { z } from 'zod';
import { neverSeen } from '../../criteria/seenSoFar';
import { SAMPLES } from '../../measures';
import { finite } from '../../view/viewSchema';
import type { GoalKind } from '../goalKind';
import { partsSchema } from '../parts';
import { seeAllAim } from './aim';
import { seeAllCriteria } from './criteria';

const told = {
  kind: z.literal('seeAll'),
  parts: partsSchema,
  sides: z.boolean(),
  near: finite.min(0).max(20),
};

/**
 * Look at all of a subject. `near`: its diagonal over the frame's height, at least, where a place counts as seen; `sides`:
 * what is missing is told by its side; `leftOut`: places that no view from outside shows, found when it is published.
 */
export const seeAllSchema = z.object({ ...told, leftOut: z.array(z.number().int().min(0).max(SAMPLES)).max(SAMPLES).optional() });
export type SeeAll = z.infer<typeof seeAllSchema>;

/** What is to be seen is no secret. */
const redactedSchema = z.strictObject(told);

export const seeAll: GoalKind<SeeAll, z.infer<typeof redactedSchema>> = {
  id: 'seeAll',
  label: 'See all of it',
  says: 'Look at a part from all round, near enough, until nothing of it was left unseen.',
  skill: 'orbit',
  schema: seeAllSchema,
  redactedSchema,
  create: () => ({ kind: 'seeAll', parts: [], sides: true, near: 0.5 }),
  ...seeAllAim,
  criteria: seeAllCriteria,
  partsNamed: ({ parts }) => parts,
  faults: (goal, { allowed }, model) => [
    ...(allowed.includes('orbit') || allowed.includes('standard')
      ? []
      : [{ message: 'seeing all of it needs "Orbit and roll" or "Standard views" allowed', field: 'allowed' } as const]),
    ...((goal.leftOut ?? neverSeen(model, goal.parts)).length >= SAMPLES
      ? [{ message: 'nothing of this subject can be seen from outside: choose another one', field: 'goal' } as const]
      : []),
  ],
  redact: ({ kind, parts, sides, near }) => ({ kind, parts, sides, near }),
  settled: {
    add: (goal, model) => ({ ...goal, leftOut: [...neverSeen(model, goal.parts)] }),
    drop: ({ leftOut: _, ...goal }) => goal,
  },
};
