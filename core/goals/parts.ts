import { z } from 'zod';

/** Part ids; none: the whole model. */
export const partsSchema = z.array(z.string().min(1).max(1000)).max(5000);
