import { z } from 'zod';
import { finite, quatSchema, vec3Schema } from '../view/viewSchema';

/** Shapes that can be placed in a model, made by code. */
export const SHAPES = ['ball', 'cube', 'cone', 'cylinder', 'ring', 'wedge'] as const;

/** An object that stands in a model without being of it. `point`: its middle, world metres; `turn`: from its own axes; `size`: its longest side before turning, metres. */
export const placedSchema = z.object({
  shape: z.enum(SHAPES),
  point: vec3Schema,
  turn: quatSchema,
  size: finite.min(1e-6).max(1e6),
});
export type Placed = z.infer<typeof placedSchema>;
export type Shape = (typeof SHAPES)[number];
