import { z } from 'zod';

const partId = z.string().min(1).max(1000);

/** What a person calls the parts of a model, by id, and which parts they take for one. */
export const namingSchema = z.object({
  names: z.record(partId, z.string().trim().min(1, 'a part needs a name').max(80, 'keep it under 80 characters')),
  /** Each becomes part of the one before it, which keeps its place. */
  merges: z.array(z.object({ into: partId, from: z.array(partId).min(1).max(5000) })).max(1000),
});
export type Naming = z.infer<typeof namingSchema>;
