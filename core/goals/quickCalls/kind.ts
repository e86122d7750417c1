import { z } from 'zod';
import { type QuickCall, quickCallSchema } from '../../criteria/quickCall';
import { isAllowed } from '../../exercise/commandGroups';
import { KIND_WORDS } from '../../input/words';
import type { GoalKind } from '../goalKind';
import { quickCallsAim } from './aim';
import { quickCallsCriteria } from './criteria';

const shape = {
  kind: z.literal('quickCalls'),
  calls: z
    .array(quickCallSchema as unknown as z.ZodType<QuickCall>)
    .min(1, 'call at least one gesture')
    .max(20),
  rounds: z.number().int().min(1).max(10),
  seconds: z.number().min(0.5).max(60).nullable(),
};

/** Make the gesture that is called, at once: call, reaction, a beat, the next. */
export const quickCallsSchema = z
  .object(shape)
  .refine(({ calls, rounds }) => calls.length * rounds <= 100, 'at most 100 calls in all: fewer rounds, or fewer calls');
export type QuickCalls = z.infer<typeof quickCallsSchema>;

const FIRST: readonly QuickCall[] = [
  { kind: 'orbit', dx: -1 },
  { kind: 'orbit', dx: 1 },
  { kind: 'zoom', factor: 2 },
  { kind: 'fit', what: 'all' },
];

/** Nothing of it is secret: the order comes from the seed. */
const redactedSchema = z.strictObject(shape);

export const quickCalls: GoalKind<QuickCalls, z.infer<typeof redactedSchema>> = {
  id: 'quickCalls',
  label: 'Quick calls',
  says: 'Gestures are called out one after the other: make each at once.',
  skill: 'ownControls',
  schema: quickCallsSchema,
  redactedSchema,
  create: () => ({ kind: 'quickCalls', calls: [...FIRST], rounds: 2, seconds: null }),
  ...quickCallsAim,
  criteria: quickCallsCriteria,
  partsNamed: () => [],
  faults: ({ calls }, { allowed, given }) => [
    ...calls
      .filter(({ kind }) => !isAllowed(kind, allowed))
      .slice(0, 1)
      .map(({ kind }) => ({ message: `“${KIND_WORDS[kind]}” is called and not allowed: allow it, or call something else`, field: 'allowed' as const })),
    ...calls
      .filter(({ kind }) => given !== null && !given.has(kind))
      .slice(0, 1)
      .map(({ kind }) => ({ message: `“${KIND_WORDS[kind]}” is called, and no scheme of this exercise has a gesture for it`, field: 'goal' as const })),
  ],
  redact: ({ kind, calls, rounds, seconds }) => ({ kind, calls, rounds, seconds }),
};
