import { z } from 'zod';
import { expectedOf } from '../../criteria/measureResults';
import { type FeaturePick, featureAt, MEASURES } from '../../geometry';
import { pickSchema } from '../../geometry/pickSchema';
import type { ScoredModel } from '../../model';
import type { Fault, GoalKind } from '../goalKind';
import { measureItAim } from './aim';
import { measureItCriteria } from './criteria';

/** Most values that one step asks for. */
export const MOST_ASKS = 12;

const asked = { id: z.string().min(1).max(60), name: z.string().trim().min(1, 'say what has to be measured').max(80), what: z.enum(MEASURES) };

/** Measure what is asked. What the values should be is computed from the picks, and never typed. */
export const measureItSchema = z
  .object({
    kind: z.literal('measureIt'),
    asks: z.array(z.object({ ...asked, a: pickSchema, b: pickSchema.optional() })).max(MOST_ASKS, `at most ${MOST_ASKS} values`),
  })
  .refine(({ asks }) => new Set(asks.map(({ id }) => id)).size === asks.length, 'two values have the same id');
export type MeasureIt = z.infer<typeof measureItSchema>;
type Ask = MeasureIt['asks'][number];

/** Where to measure is to be found out by whoever measures. */
const redactedSchema = z.strictObject({ kind: z.literal('measureIt'), asks: z.array(z.strictObject(asked)) });

const MEANT = { point: 'a point', edge: 'an edge', face: 'a flat face', hole: 'a hole or a round face' } as const;

/** Why a value cannot be measured as it was picked; null: it can. */
function askFault({ mesh }: ScoredModel, ask: Ask): string | null {
  const { name, what, a, b } = ask;
  if (what !== 'diameter' && !b) return `“${name}” needs a second pick`;
  const picks: readonly FeaturePick[] = b ? [a, b] : [a];
  const missing = picks.find((pick) => featureAt(mesh, pick) === null);
  if (missing) return `“${name}”: what was picked on “${missing.part.split('/').at(-1)}” is not ${MEANT[missing.as]}`;
  const expected = expectedOf(mesh, ask);
  if (what === 'diameter' && expected === null) return `“${name}”: a diameter is of a hole or a round face: pick one`;
  if (what === 'spacing' && expected === null) return `“${name}”: a spacing is between two holes or round faces: pick two`;
  if (what === 'angle' && expected === null) return `“${name}”: there is no angle between these two`;
  if (expected === null) return `“${name}”: these two are not parallel and have no distance: ask for the angle, or pick others`;
  return expected < 1e-9 ? `“${name}” comes to nought: pick two that are apart` : null;
}

function askFaults({ asks }: MeasureIt, model: ScoredModel): Fault[] {
  const fault = (message: string): Fault[] => [{ message, field: 'goal' }];
  if (asks.length === 0) return fault('say what has to be measured: measure it on the stage, and ask for it');
  const twice = asks.find(({ name }, i) => asks.findIndex((other) => other.name.trim() === name.trim()) !== i);
  if (twice) return fault(`two values are called “${twice.name}”: give each a name of its own`);
  for (const ask of asks) {
    const why = askFault(model, ask);
    if (why) return fault(why);
  }
  return [];
}

export const measureIt: GoalKind<MeasureIt, z.infer<typeof redactedSchema>> = {
  id: 'measureIt',
  label: 'Measure',
  says: 'Distances, diameters, spacings and angles are asked for: measure each on the stage.',
  skill: 'measuring',
  schema: measureItSchema,
  redactedSchema,
  create: () => ({ kind: 'measureIt', asks: [] }),
  ...measureItAim,
  criteria: measureItCriteria,
  partsNamed: ({ asks }) => asks.flatMap(({ a, b }) => (b ? [a.part, b.part] : [a.part])),
  faults: (goal, _, model) => askFaults(goal, model),
  redact: ({ kind, asks }) => ({ kind, asks: asks.map(({ id, name, what }) => ({ id, name, what })) }),
};
