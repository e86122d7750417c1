import { z } from 'zod';
import { pickSchema } from '../geometry/pickSchema';
import { Command } from '../navigation/command';
import { sceneSchema } from '../navigation/sceneSchema';
import { TRACE_FORMAT, upcastTrace } from './upcast';

const seconds = z.number().min(0).max(86_400);
const place = z.number().min(-4).max(4);
const angle = z.number().min(-7).max(7);
const step = z.number().int().min(0).max(100);

export const gestureSchema = z.object({
  id: z.number().int().min(0),
  device: z.enum(['mouse', 'touchpad', 'pen', 'touch', 'keyboard', 'puck', 'dial', 'interface']),
  binding: z.string().max(80),
});

export const moveSchema = z.object({ t: seconds, command: Command, gesture: gestureSchema.optional() });

/** A pick of a measurement: what, and when and where in the frame it was made. */
const madePick = pickSchema.extend({ t: seconds, u: place, v: place });

export const eventSchema = z.discriminatedUnion('kind', [
  z.object({ t: seconds, kind: z.literal('begin') }),
  z.object({ t: seconds, kind: z.literal('stepDone'), step }),
  /** The end of looking round: what was moved in the step before counts for nothing, and it begins where it began. */
  z.object({ t: seconds, kind: z.literal('looked'), step }),
  z.object({ t: seconds, kind: z.literal('hint'), step, number: z.number().int().min(0).max(10) }),
  z.object({ t: seconds, kind: z.literal('pause') }),
  z.object({ t: seconds, kind: z.literal('resume') }),
  /** The moment at which a call is heard: its place in the order of calls. */
  z.object({ t: seconds, kind: z.literal('shown'), step, call: z.number().int().min(0).max(100) }),
  /** `azimuth`, `elevation`: the direction to the eye that was answered, radians, where a direction is asked. */
  z.object({
    t: seconds,
    kind: z.literal('answer'),
    step,
    call: z.number().int().min(0).max(100),
    azimuth: angle.optional(),
    elevation: angle.optional(),
  }),
  /** A gesture of the scheme that the learner comes from, where it did what was asked for. */
  z.object({ t: seconds, kind: z.literal('slip'), step, gesture: z.string().max(80), wanted: z.string().max(40) }),
  /** A thing is pointed out: where in the frame, frame heights from its middle to the right and up. */
  z.object({ t: seconds, kind: z.literal('pick'), step, u: place, v: place }),
  z.object({ t: seconds, kind: z.literal('measure'), step, ask: z.string().max(60), a: madePick, b: madePick.optional() }),
  z.object({ t: seconds, kind: z.literal('handIn') }),
]);

/** What an attempt refers to: immutable once it does. */
export const referencesSchema = z.object({
  exercise: z.object({ id: z.string().min(1).max(64), version: z.number().int().min(0) }),
  model: z.object({ id: z.string().min(1).max(64), revision: z.number().int().min(1) }),
  scheme: z.object({ id: z.string().min(1).max(64), revision: z.number().int().min(1) }),
});

/** One attempt as it happened: a start scene and timed commands; earlier forms are brought to the newest. `t`: seconds from opening. */
export const traceSchema = z.preprocess(
  upcastTrace,
  referencesSchema.extend({
    format: z.literal(TRACE_FORMAT),
    start: sceneSchema,
    /** Decides what is random in the attempt, such as the order of calls. */
    seed: z.number().int().min(0).max(4294967295),
    moves: z.array(moveSchema).max(120_000),
    events: z.array(eventSchema).max(5000),
    end: seconds,
  }),
);

export type Trace = z.infer<typeof traceSchema>;
export type Move = z.infer<typeof moveSchema>;
export type TraceEvent = z.infer<typeof eventSchema>;
/** A pick of a measurement, with the moment, seconds from opening, and the place in the frame at which it was made. */
export type PickMade = z.infer<typeof madePick>;
export type MoveGesture = z.infer<typeof gestureSchema>;
