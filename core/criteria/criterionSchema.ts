import { z } from 'zod';
import { CRITERION_IDS } from './registry';

/** Full marks up to `full`, nothing from `zero`; in the criterion's own unit. */
export const criterionSchema = z
  .object({
    id: z.enum(CRITERION_IDS),
    full: z.number().min(0).max(1e6),
    zero: z.number().min(0).max(1e6),
    weight: z.number().min(0).max(100),
    must: z.boolean().optional(),
  })
  .refine((c) => c.full <= c.zero, { message: 'full marks must come before no marks', path: ['zero'] });

export type Criterion = z.infer<typeof criterionSchema>;
