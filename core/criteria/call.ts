import { z } from 'zod';
import { STANDARD_NAMES } from '../view/standardNames';
import { vec3Schema } from '../view/viewSchema';

/** One view that is called out. */
export const callSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('standard'), name: z.enum(STANDARD_NAMES) }),
  z.object({ kind: z.literal('opposite') }),
  z.object({ kind: z.literal('face'), name: z.string().min(1).max(80), point: vec3Schema, normal: vec3Schema }),
]);

export type Call = z.infer<typeof callSchema>;
