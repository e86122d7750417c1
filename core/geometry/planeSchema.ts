import { z } from 'zod';
import { length, scale } from '../math/vec3';
import { finite, vec3Schema } from '../view/viewSchema';

/** A plane n·x = offset; the normal is brought to unit length and the offset with it. What lies on the positive side is cut away. */
export const planeSchema = z
  .object({ normal: vec3Schema.refine((v) => length(v) > 1e-12, 'a plane needs a normal that is not zero'), offset: finite })
  .transform((plane) => {
    const l = length(plane.normal);
    // An already unit normal stays bit for bit as it was, so that storing a plane twice changes nothing.
    return Math.abs(l - 1) < 1e-14 ? plane : { normal: scale(plane.normal, 1 / l), offset: plane.offset / l };
  });

export type Plane = z.infer<typeof planeSchema>;
