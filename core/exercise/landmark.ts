import { z } from 'zod';
import { unit } from '../math';
import { vec3Schema } from '../view/viewSchema';

/** What a landmark names: all of a part, one face of it, or a point on it. */
export const LANDMARK_KINDS = ['part', 'face', 'point'] as const;

/** A named place of a model, as it was picked: the part, the point and the side that its surface looks to there, in model coordinates. */
export const landmarkSchema = z.object({
  name: z.string().trim().min(1).max(60),
  kind: z.enum(LANDMARK_KINDS),
  part: z.string().min(1).max(400),
  point: vec3Schema,
  normal: vec3Schema.refine((v) => unit(v) !== null, 'a side needs a direction: it must not be zero'),
});

export type Landmark = z.infer<typeof landmarkSchema>;
