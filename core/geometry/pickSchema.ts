import { z } from 'zod';
import { unit } from '../math';
import { vec3Schema } from '../view/viewSchema';

/** What a pick is taken for. */
export const PICKED_AS = ['point', 'edge', 'face', 'hole'] as const;

/** A spot on a part's surface, world metres, and what it is taken for. */
export const pickSchema = z.object({
  part: z.string().min(1).max(1000),
  point: vec3Schema,
  normal: vec3Schema.refine((v) => unit(v) !== null, 'a side needs a direction: it must not be zero'),
  as: z.enum(PICKED_AS),
});
export type FeaturePick = z.infer<typeof pickSchema>;
