import { z } from 'zod';
import { type Criterion, criterionSchema } from '../criteria/criterionSchema';
import { methodSchema } from '../criteria/methodSchema';
import { goalSchema } from '../goals/kinds';
import { sceneSchema } from '../navigation/sceneSchema';
import { recordingSchema } from '../trace/recordingSchema';
import { COMMAND_GROUP_IDS } from './commandGroups';
import { SKILL_IDS } from './skills';

const short = z.string().trim().min(1, 'write at least one character').max(120, 'keep it under 120 characters');
const text = z.string().trim().max(2000, 'keep it under 2000 characters');

export const stepSchema = z.object({
  id: z.string().min(1).max(40),
  brief: text.min(1, 'say what the trainee is to do'),
  skill: z.enum(SKILL_IDS),
  otherSkills: z.array(z.enum(SKILL_IDS)).max(2),
  hints: z.array(text.min(1)).max(3),
  goal: goalSchema,
  criteria: z
    .array(criterionSchema)
    .min(1, 'choose at least one criterion')
    .max(100)
    .refine((list) => new Set(list.map((c) => c.id)).size === list.length, 'each criterion can be used once a step')
    .refine((list) => list.some((c) => c.weight > 0), 'at least one criterion needs a weight above 0'),
  /** How it has to be done, where that is judged. */
  method: methodSchema.optional(),
  /** One may look round freely before the step, off the clock. */
  freeLook: z.literal(true).optional(),
  /** The author's own way of doing it, to be watched first and as the last hint. */
  watch: recordingSchema.optional(),
  /** Why it can be done all the same, where something of it lies behind other parts or within them and nothing that is allowed leads there. */
  reachReason: z.string().trim().max(300, 'keep it under 300 characters').optional(),
  /** Switched off: kept in the draft, left out of what is published. */
  off: z.literal(true).optional(),
});

/** Most starts beside the first. */
export const MOST_STARTS = 8;

/** How attempts begin otherwise than at the start, by their seed: turned round it in eighths, mirrored or not, or at one of some more. */
export const variantsSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('turned') }),
  z.object({ kind: z.literal('mirrored') }),
  z.object({ kind: z.literal('starts'), starts: z.array(sceneSchema).min(1, 'add a start').max(MOST_STARTS) }),
]);

/** What an exercise asks: the content of one immutable version. */
export const exerciseSchema = z.object({
  title: short,
  brief: text,
  model: z.object({ id: z.string().min(1).max(64), revision: z.number().int().min(1) }),
  start: sceneSchema,
  variants: variantsSchema.optional(),
  steps: z.array(stepSchema).min(1, 'an exercise needs a step').max(20),
  /** Command groups that the trainee may use. */
  allowed: z.array(z.enum(COMMAND_GROUP_IDS)).min(1, 'allow at least one kind of command'),
  /** Schemes it is meant for, by id; none: all. */
  schemes: z.array(z.string().min(1).max(64)).max(50),
  liveHelp: z.boolean(),
  /** Whether the trainee's browser may have the target itself; otherwise it gets only the picture. */
  showTarget: z.boolean(),
});

/** A draft has the shape of an exercise; only its words may still be missing. */
export const draftSchema = exerciseSchema.extend({
  title: z.string().max(120, 'keep it under 120 characters'),
  brief: z.string().max(2000),
  steps: z
    .array(stepSchema.extend({ brief: z.string().max(2000) }))
    .min(1)
    .max(20),
});

export type Exercise = z.infer<typeof exerciseSchema>;
export type Step = z.infer<typeof stepSchema>;
export type { Criterion };
