import { z } from 'zod';
import { callSchema } from '../../criteria/call';
import { AT_STANDARD, callError } from '../../criteria/callResults';
import { unit } from '../../math';
import { STANDARD_NAMES } from '../../view/standardNames';
import type { GoalKind } from '../goalKind';
import { callViewAim } from './aim';
import { callViewCriteria } from './criteria';

const orderSchema = z.enum(['asGiven', 'random']);

/** Reach each view called out, in the author's order or in one that the attempt's seed decides. */
export const callViewSchema = z.object({ kind: z.literal('callView'), calls: z.array(callSchema).min(1).max(40), order: orderSchema });
export type CallView = z.infer<typeof callViewSchema>;

/** Of a face only the name. */
const secretCallSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('standard'), name: z.enum(STANDARD_NAMES) }),
  z.strictObject({ kind: z.literal('opposite') }),
  z.strictObject({ kind: z.literal('face'), name: z.string().min(1).max(80) }),
]);
const redactedSchema = z.strictObject({ kind: z.literal('callView'), calls: z.array(secretCallSchema), order: orderSchema });
export type RedactedCallView = z.infer<typeof redactedSchema>;

export const callView: GoalKind<CallView, RedactedCallView> = {
  id: 'callView',
  label: 'Call the view',
  says: 'Views are called out, one after the other.',
  skill: 'standardViews',
  schema: callViewSchema,
  redactedSchema,
  create: () => ({ kind: 'callView', calls: [{ kind: 'standard', name: 'front' }], order: 'asGiven' }),
  ...callViewAim,
  criteria: callViewCriteria,
  partsNamed: () => [],
  faults: ({ calls }) =>
    calls.flatMap((call) =>
      call.kind === 'face' && unit(call.normal) === null ? [{ message: `the face “${call.name}” has no side: pick it again`, field: 'goal' as const }] : [],
    ),
  doubts: ({ calls, order }, { start }) => {
    const [first] = calls;
    return first && order === 'asGiven' && callError(first, start.view, start.view) <= AT_STANDARD
      ? [{ message: 'the start already answers the first call: set another start, or call another view first', field: 'start' }]
      : [];
  },
  redact: ({ calls, order }) => ({ kind: 'callView', calls: calls.map((call) => (call.kind === 'face' ? { kind: 'face', name: call.name } : call)), order }),
};
