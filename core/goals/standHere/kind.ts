import { z } from 'zod';
import { anglesOf, eyeOf } from '../../view';
import { finite, quatSchema, vec3Schema } from '../../view/viewSchema';
import type { GoalKind } from '../goalKind';
import { standHereAim } from './aim';
import { standHereCriteria } from './criteria';

/** Place the eye and look: `eye` in world metres; `level`: verticals stay upright, so one looks straight ahead. */
export const standHereSchema = z.object({
  kind: z.literal('standHere'),
  eye: vec3Schema,
  orientation: quatSchema,
  fovY: finite.gt(0).lt(Math.PI),
  level: z.boolean(),
});
export type StandHere = z.infer<typeof standHereSchema>;

const redactedSchema = z.strictObject({ kind: z.literal('standHere') });

/** A gaze that is higher or lower than this is not level, radians. */
const LEVEL = Math.PI / 180;

export const standHere: GoalKind<StandHere, z.infer<typeof redactedSchema>> = {
  id: 'standHere',
  label: 'Stand here',
  says: 'Stand at a place in the model, and look the way that you set.',
  skill: 'stand',
  schema: standHereSchema,
  redactedSchema,
  create: ({ view }) => ({ kind: 'standHere', eye: eyeOf(view), orientation: view.orientation, fovY: view.fovY, level: false }),
  ...standHereAim,
  criteria: standHereCriteria,
  partsNamed: () => [],
  faults: ({ level, orientation }, { allowed }) => [
    ...(allowed.includes('walk') ? [] : [{ message: 'standing needs "Look and walk" allowed', field: 'allowed' } as const]),
    ...(level && Math.abs(anglesOf(orientation).elevation) > LEVEL
      ? [{ message: 'a level gaze is asked, and the view that is set looks up or down: set it again, or leave the level out', field: 'goal' } as const]
      : []),
  ],
  redact: () => ({ kind: 'standHere' }),
};
