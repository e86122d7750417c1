import { z } from 'zod';
import type { GoalKind } from '../goalKind';
import { partsSchema } from '../parts';
import { frameItAim } from './aim';
import { frameItCriteria } from './criteria';

/** Free space asked for on each side: of the frame's width left and right, of its height above and below. */
export const marginsSchema = z
  .object({ left: z.number().min(0).max(0.9), right: z.number().min(0).max(0.9), top: z.number().min(0).max(0.9), bottom: z.number().min(0).max(0.9) })
  .refine((m) => m.left + m.right < 0.95 && m.top + m.bottom < 0.95, 'the margins leave no room for the subject');

/** Make the subject fill the frame with the given margins. */
export const frameItSchema = z.object({ kind: z.literal('frameIt'), subject: partsSchema, margins: marginsSchema });
export type FrameIt = z.infer<typeof frameItSchema>;

/** The inner lines are what is asked: nothing of it is secret. */
const redactedSchema = z.strictObject({ kind: z.literal('frameIt'), subject: partsSchema, margins: marginsSchema });

export const frameIt: GoalKind<FrameIt, z.infer<typeof redactedSchema>> = {
  id: 'frameIt',
  label: 'Frame it',
  says: 'Make something fill the frame with given margins.',
  skill: 'framing',
  schema: frameItSchema,
  redactedSchema,
  create: ({ selection }) => ({ kind: 'frameIt', subject: [...selection.parts], margins: { left: 0.15, right: 0.15, top: 0.12, bottom: 0.12 } }),
  ...frameItAim,
  criteria: frameItCriteria,
  partsNamed: ({ subject }) => subject,
  faults: (_, { allowed }) => (allowed.includes('panZoom') ? [] : [{ message: 'framing needs "Pan and zoom" allowed', field: 'allowed' }]),
  redact: ({ subject, margins }) => ({ kind: 'frameIt', subject, margins }),
};
