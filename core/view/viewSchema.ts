import { z } from 'zod';

/** Finite, and small enough that no square of it overflows. */
export const finite = z.number().min(-1e12).max(1e12);
export const vec3Schema = z.tuple([finite, finite, finite]).readonly();
const part = z.number().min(-1.000001).max(1.000001);

export const quatSchema = z
  .tuple([part, part, part, part])
  .readonly()
  .refine((q) => Math.abs(q[0] * q[0] + q[1] * q[1] + q[2] * q[2] + q[3] * q[3] - 1) < 1e-6, 'an orientation must be a unit quaternion');

export const projectionSchema = z.enum(['perspective', 'orthographic']);

/** A camera: see `View`. */
export const viewSchema = z.object({
  target: vec3Schema,
  orientation: quatSchema,
  distance: z.number().min(1e-6).max(1e9),
  projection: projectionSchema,
  fovY: z.number().gt(0).lt(Math.PI),
});
