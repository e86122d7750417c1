import { z } from 'zod';
import { planeSchema } from '../geometry/planeSchema';
import { sceneSchema } from '../navigation/sceneSchema';
import { STANDARD_NAMES } from '../view/standardNames';
import { vec3Schema, viewSchema } from '../view/viewSchema';

const parts = z.array(z.string().min(1).max(1000)).max(5000);

/** Reach the recorded scene. `subject`: part ids that size and placement look at; none: the whole model. */
const matchView = z.object({ kind: z.literal('matchView'), target: sceneSchema, subject: parts });

/** One view that is called out. */
export const callSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('standard'), name: z.enum(STANDARD_NAMES) }),
  z.object({ kind: z.literal('opposite') }),
  z.object({ kind: z.literal('face'), name: z.string().min(1).max(80), point: vec3Schema, normal: vec3Schema }),
]);

/** Reach each view called out, in the author's order or in one that the trace's seed decides. */
const callView = z.object({ kind: z.literal('callView'), calls: z.array(callSchema).min(1).max(40), order: z.enum(['asGiven', 'random']) });

/** Repeat a recorded way round a pivot. `path`: seconds and views, as the instructor went. */
const followOrbit = z.object({
  kind: z.literal('followOrbit'),
  pivot: vec3Schema,
  path: z
    .array(z.object({ t: z.number().min(0).max(3600), view: viewSchema }))
    .min(2)
    .max(4000),
});

/** Free space asked for on each side: of the frame's width left and right, of its height above and below. */
export const marginsSchema = z
  .object({ left: z.number().min(0).max(0.9), right: z.number().min(0).max(0.9), top: z.number().min(0).max(0.9), bottom: z.number().min(0).max(0.9) })
  .refine((m) => m.left + m.right < 0.95 && m.top + m.bottom < 0.95, 'the margins leave no room for the subject');

/** Make the subject fill the frame with the given margins. */
const frameIt = z.object({ kind: z.literal('frameIt'), subject: parts, margins: marginsSchema });

/** Place a section like the target's, or so that the listed parts can be seen. */
const cutToReveal = z.object({ kind: z.literal('cutToReveal'), plane: planeSchema.nullable(), reveal: parts });

export const goalSchema = z.discriminatedUnion('kind', [matchView, callView, followOrbit, frameIt, cutToReveal]);
export type Goal = z.infer<typeof goalSchema>;
export type GoalKind = Goal['kind'];
export type GoalOf<K extends GoalKind> = Extract<Goal, { kind: K }>;
export type Call = z.infer<typeof callSchema>;
export type Margins = z.infer<typeof marginsSchema>;

export const GOAL_KINDS = ['matchView', 'callView', 'followOrbit', 'frameIt', 'cutToReveal'] as const satisfies readonly GoalKind[];
