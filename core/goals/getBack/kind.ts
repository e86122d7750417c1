import { z } from 'zod';
import type { GoalKind } from '../goalKind';
import { partsSchema } from '../parts';
import { getBackAim } from './aim';
import { getBackCriteria } from './criteria';

/** How one is lost: the eye in a part, the model out of the frame, beneath it, too far off to be seen, head down; or any of these. */
export const WAYS_TO_BE_LOST = ['inside', 'beyond', 'beneath', 'tiny', 'upsideDown', 'any'] as const;

const shape = { kind: z.literal('getBack'), subject: partsSchema, lost: z.enum(WAYS_TO_BE_LOST) };

/** Find the way back from a lost view, which differs each time, until all of the subject is in the frame, upright and unhidden. */
export const getBackSchema = z.object(shape);
export type GetBack = z.infer<typeof getBackSchema>;

/** Nothing of it is secret. */
const redactedSchema = z.strictObject(shape);

export const getBack: GoalKind<GetBack, z.infer<typeof redactedSchema>> = {
  id: 'getBack',
  label: 'Get back',
  says: 'You are lost, another way each time: bring the subject back whole, upright and in sight.',
  skill: 'recover',
  schema: getBackSchema,
  redactedSchema,
  create: () => ({ kind: 'getBack', subject: [], lost: 'any' }),
  ...getBackAim,
  criteria: getBackCriteria,
  partsNamed: ({ subject }) => subject,
  faults: (_, { allowed }) =>
    allowed.includes('recover') || (allowed.includes('orbit') && allowed.includes('panZoom'))
      ? []
      : [{ message: 'getting back needs "Fit, home, back" allowed, or both "Orbit and roll" and "Pan and zoom"', field: 'allowed' }],
  redact: ({ kind, subject, lost }) => ({ kind, subject, lost }),
};
