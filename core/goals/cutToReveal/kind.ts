import { z } from 'zod';
import { planeSchema } from '../../geometry/planeSchema';
import type { Fault, GoalKind } from '../goalKind';
import { partsSchema } from '../parts';
import { cutToRevealAim } from './aim';
import { cutToRevealCriteria } from './criteria';

/** Place a section like the target's, or so that the listed parts can be seen. */
export const cutToRevealSchema = z.object({ kind: z.literal('cutToReveal'), plane: planeSchema.nullable(), reveal: partsSchema });
export type CutToReveal = z.infer<typeof cutToRevealSchema>;

const redactedSchema = z.strictObject({ kind: z.literal('cutToReveal'), reveal: partsSchema });

export const cutToReveal: GoalKind<CutToReveal, z.infer<typeof redactedSchema>> = {
  id: 'cutToReveal',
  label: 'Cut to reveal',
  says: 'Place a cut like yours, or so that parts can be seen.',
  skill: 'section',
  schema: cutToRevealSchema,
  redactedSchema,
  create: ({ section, selection }) => ({ kind: 'cutToReveal', plane: section, reveal: section ? [] : [...selection.parts] }),
  ...cutToRevealAim,
  criteria: cutToRevealCriteria,
  partsNamed: ({ reveal }) => reveal,
  faults({ plane, reveal }, { allowed }) {
    const faults: Fault[] = [];
    if (!plane && reveal.length === 0) faults.push({ message: 'set a cut, or choose the parts it must reveal', field: 'goal' });
    if (!allowed.includes('section')) faults.push({ message: 'cutting needs "Section" allowed', field: 'allowed' });
    return faults;
  },
  redact: ({ reveal }) => ({ kind: 'cutToReveal', reveal }),
};
