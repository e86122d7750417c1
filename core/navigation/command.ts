import { z } from 'zod';
import { planeSchema } from '../geometry/planeSchema';
import { unit } from '../math/vec3';
import { STANDARD_NAMES } from '../view/standardNames';
import { finite, projectionSchema, vec3Schema } from '../view/viewSchema';

const partId = z.string().min(1).max(1000);
const partIds = z.array(partId).max(20_000);
const direction = vec3Schema.refine((v) => unit(v) !== null, 'a normal needs a direction: it must not be zero');
const openAngle = finite.gt(0).lt(Math.PI);

export const visibilitySchema = z.enum(['shown', 'hidden', 'glass']);
export const styleSchema = z.enum(['shaded', 'shadedEdges', 'hiddenLine', 'outline', 'wireframe']);
export const selectionSchema = z.object({ parts: partIds, point: vec3Schema.optional(), normal: direction.optional() });

/** Everything that can change a scene: the table of commands. Exactly what a trace stores. */
export const Command = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('orbit'), dx: finite, dy: finite, pivot: vec3Schema.optional(), mode: z.enum(['turntable', 'trackball']) }),
  z.object({ kind: z.literal('turn'), axis: z.enum(['left', 'right', 'up', 'down']), angle: finite }),
  z.object({ kind: z.literal('roll'), angle: finite }),
  z.object({ kind: z.literal('pan'), dx: finite, dy: finite, depth: finite.optional() }),
  z.object({ kind: z.literal('zoom'), factor: z.number().gt(0).max(1e300), at: z.object({ u: finite, v: finite, depth: finite }).optional() }),
  z.object({ kind: z.literal('dolly'), metres: finite }),
  z
    .object({ kind: z.literal('zoomRegion'), u0: finite, v0: finite, u1: finite, v1: finite, depth: finite })
    .refine((r) => r.u0 < r.u1 && r.v0 < r.v1, 'a rectangle needs u0 < u1 and v0 < v1'),
  z.object({ kind: z.literal('fit'), what: z.enum(['all', 'selection']), margin: z.number().min(0).lt(0.5).optional() }),
  z.object({ kind: z.literal('centre'), point: vec3Schema }),
  z.object({ kind: z.literal('lookAt'), point: vec3Schema }),
  z.object({ kind: z.literal('standard'), name: z.enum(STANDARD_NAMES) }),
  z.object({ kind: z.literal('opposite') }),
  z.object({ kind: z.literal('home') }),
  z.object({ kind: z.literal('normalTo'), point: vec3Schema, normal: direction }),
  z.object({ kind: z.literal('snap') }),
  z.object({ kind: z.literal('level'), verticals: z.boolean().optional() }),
  z.object({ kind: z.literal('reset') }),
  z.object({ kind: z.literal('cancel') }),
  z.object({ kind: z.literal('look'), yaw: finite, pitch: finite }),
  z.object({ kind: z.literal('walk'), forward: finite, right: finite, dt: z.number().min(0).max(1e6), onGround: z.boolean() }),
  z.object({ kind: z.literal('rise'), metres: finite }),
  z.object({ kind: z.literal('projection'), projection: projectionSchema }),
  z.object({ kind: z.literal('fieldOfView'), angle: openAngle }),
  z.object({ kind: z.literal('section'), plane: planeSchema.nullable() }),
  z.object({ kind: z.literal('shiftSection'), metres: finite }),
  z.object({ kind: z.literal('flipSection') }),
  z.object({ kind: z.literal('show'), parts: partIds, state: visibilitySchema }),
  z.object({ kind: z.literal('isolate'), parts: partIds }),
  z.object({ kind: z.literal('showAll') }),
  z.object({ kind: z.literal('style'), style: styleSchema }),
  z.object({ kind: z.literal('select'), parts: partIds, point: vec3Schema.optional(), normal: direction.optional() }),
  z.object({ kind: z.literal('back') }),
  z.object({ kind: z.literal('forward') }),
]);

export type Command = z.infer<typeof Command>;
export type CommandKind = Command['kind'];
export type Visibility = z.infer<typeof visibilitySchema>;
export type Style = z.infer<typeof styleSchema>;
export type Selection = z.infer<typeof selectionSchema>;
