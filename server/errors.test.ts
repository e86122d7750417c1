import { expect, it } from 'vitest';
import { z } from 'zod';
import { shapeRefused } from './errors';

it('its place comes first, and it is one sentence', () => {
  const refused = (schema: z.ZodType, value: unknown) => shapeRefused(schema.safeParse(value).error as z.ZodError);
  expect(refused(z.object({ steps: z.array(z.object({ weight: z.number().max(100) })) }), { steps: [{ weight: 900 }] })).toMatchObject({
    message: 'steps.0.weight: at most 100.',
    field: 'steps.0.weight',
  });
  expect(refused(z.number(), null).message).toBe('This should be a number.');
});
