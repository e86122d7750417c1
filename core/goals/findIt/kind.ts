import { z } from 'zod';
import { partsSought, placedOf, type Sought, withItems } from '../../criteria/findResults';
import { cornersAt, partName, partRound, placedMesh } from '../../geometry';
import { placedSchema } from '../../geometry/placedSchema';
import type { ScoredModel } from '../../model';
import type { Fault, GoalKind } from '../goalKind';
import { findItAim } from './aim';
import { findItCriteria } from './criteria';

/** Most things that are sought in one step. */
export const MOST_ITEMS = 12;

const named = { id: z.string().min(1).max(60), name: z.string().trim().min(1, 'say what is sought').max(60) };
const itemSchema = z.discriminatedUnion('of', [
  z.object({ ...named, of: z.literal('part'), part: z.string().min(1).max(1000) }),
  z.object({ ...named, of: z.literal('object'), object: placedSchema }),
]);

/** Find things and pick them: parts of the model by their names, or objects that were placed in it. */
export const findItSchema = z
  .object({
    kind: z.literal('findIt'),
    items: z.array(itemSchema).max(MOST_ITEMS, `at most ${MOST_ITEMS} things`),
  })
  .refine(({ items }) => new Set(items.map(({ id }) => id)).size === items.length, 'two things have the same id');
export type FindIt = z.infer<typeof findItSchema>;

/** Objects stand on the stage for everybody; which part it is that is sought is told to nobody. */
const redactedSchema = z.strictObject({
  kind: z.literal('findIt'),
  items: z.array(z.strictObject({ ...named, of: z.enum(['part', 'object']), object: placedSchema.optional() })),
});

/** A part of the model that all of an object lies in; null: some of it is free. */
function roundOf(model: ScoredModel, item: Extract<Sought, { of: 'object' }>): string | null {
  const own = placedMesh(placedOf([item]));
  let round = -1;
  for (let triangle = 0; triangle < own.indices.length / 3; triangle++) {
    const inside = partRound(model.mesh, cornersAt(own, triangle)[0]);
    if (inside < 0 || (round >= 0 && inside !== round)) return null;
    round = inside;
  }
  const id = model.mesh.parts[round]?.id;
  return id === undefined ? null : partName(model.mesh.parts, id);
}

/** What can be found by nobody. */
function itemFaults({ items }: FindIt, model: ScoredModel): Fault[] {
  const whole = withItems(model.mesh, items);
  const sought = partsSought(whole, items);
  const fault = (message: string): Fault[] => [{ message, field: 'goal' }];
  if (items.length === 0) return fault('say what has to be found: add a part or an object');
  const twice = items.find(({ name }, i) => items.findIndex((other) => other.name.trim() === name.trim()) !== i);
  if (twice) return fault(`two things are called “${twice.name}”: give each a name of its own`);
  const empty = items.findIndex((_, i) => ![...(sought[i] ?? [])].some((part) => (whole.parts[part]?.count ?? 0) > 0));
  if (empty >= 0) return fault(`“${items[empty]?.name}” has no surface that could be picked: choose another part`);
  for (const item of items) {
    const round = item.of === 'object' ? roundOf(model, item) : null;
    if (round !== null) return fault(`“${item.name}” lies inside “${round}” and can be seen by nobody: place it on a surface`);
  }
  return [];
}

export const findIt: GoalKind<FindIt, z.infer<typeof redactedSchema>> = {
  id: 'findIt',
  label: 'Find it',
  says: 'Parts are named, or objects are hidden on the model: find each and pick it.',
  skill: 'orbit',
  schema: findItSchema,
  redactedSchema,
  create: () => ({ kind: 'findIt', items: [] }),
  ...findItAim,
  criteria: findItCriteria,
  partsNamed: ({ items }) => items.flatMap((item) => (item.of === 'part' ? [item.part] : [])),
  faults: (goal, _, model) => itemFaults(goal, model),
  redact: ({ kind, items }) => ({
    kind,
    items: items.map((item) => ({ id: item.id, name: item.name, of: item.of, ...(item.of === 'object' ? { object: item.object } : {}) })),
  }),
};
