import { z } from 'zod';
import { Command } from '../navigation/command';
import { POINTER_BUTTONS } from './gesture';

export const modifierSchema = z.enum(['shift', 'ctrl', 'alt']);

/** What a hand does: the device's side of a binding. `code`: KeyboardEvent.code, a place on the keyboard, not a letter. */
export const triggerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('drag'), button: z.enum(POINTER_BUTTONS) }),
  z.object({ kind: z.literal('click'), button: z.enum(POINTER_BUTTONS), count: z.union([z.literal(1), z.literal(2)]) }),
  z.object({ kind: z.literal('wheel') }),
  z.object({ kind: z.literal('key'), code: z.string().min(1).max(30) }),
  z.object({ kind: z.literal('held'), code: z.string().min(1).max(30) }),
  /** Two fingers on a touchpad, as browsers tell it: they slide, or spread. */
  z.object({ kind: z.literal('scroll') }),
  z.object({ kind: z.literal('pinch') }),
  /** Fingers on the screen. */
  z.object({ kind: z.literal('touch'), fingers: z.union([z.literal(1), z.literal(2), z.literal(3)]) }),
  z.object({ kind: z.literal('axes') }),
  z.object({ kind: z.literal('puckButton'), button: z.number().int().min(1).max(32) }),
]);

/** What helps the eye and is no command: it moves no camera and leaves no trace. */
export const AIDS = ['grid', 'names', 'landmarks', 'loupe', 'fourViews', 'panels', 'standing', 'measuring', 'floor', 'walls', 'speed'] as const;

/** What an orbit turns about. */
export const pivotRuleSchema = z.enum(['pointer', 'picked', 'selection', 'visible', 'target']);

/** What comes of it: a continuous way to move, a ready command, or one that takes what is under the pointer or selected. */
export const actionSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('move'), does: z.enum(['orbit', 'pan', 'zoom', 'roll', 'look', 'zoomRegion', 'boxTouching', 'boxInside', 'fingers', 'sixAxes']) }),
  z.object({ kind: z.literal('steady'), does: z.enum(['zoom', 'forward', 'slide', 'rise', 'turn']), way: z.union([z.literal(1), z.literal(-1)]) }),
  z.object({ kind: z.literal('aid'), does: z.enum(AIDS) }),
  z.object({ kind: z.literal('command'), command: Command }),
  z.object({ kind: z.literal('atPointer'), does: z.enum(['select', 'selectMore', 'centre', 'lookAt', 'approach', 'normalTo', 'section', 'stand']) }),
  z.object({ kind: z.literal('selection'), does: z.enum(['hide', 'glass', 'isolate']) }),
  z.object({ kind: z.literal('toggle'), does: z.enum(['projection', 'style']) }),
]);

export const bindingSchema = z.object({
  context: z.enum(['stage', 'standing']),
  trigger: triggerSchema,
  modifiers: z.array(modifierSchema).max(3),
  command: actionSchema,
  gain: z.number().gt(0).max(100).optional(),
  /** The other way: both ways of a drag, or only across, or only up and down. */
  invert: z.union([z.boolean(), z.enum(['across', 'upDown'])]).optional(),
});

const six = z.tuple([z.number(), z.number(), z.number(), z.number(), z.number(), z.number()]).readonly();

export const schemeOptionsSchema = z.object({
  orbit: z.enum(['turntable', 'trackball']),
  /** The point under the pointer, the point picked last, the middle of the selection, the middle of what is seen, or the target. */
  pivot: pivotRuleSchema,
  /** While this key is held in mid-drag, the orbit turns about something else. */
  heldPivot: z.object({ code: z.string().min(1).max(30), pivot: pivotRuleSchema }).optional(),
  /** An orbit that ends nearer than this to a standard view goes to it, radians; left out: never. */
  snapWithin: z.number().gt(0).max(0.5).optional(),
  /** Step of the keys that turn, radians; left out: 15°. */
  step: z.number().gt(0).max(1.6).optional(),
  /** Whether a key that is held begins gently and gathers speed, and one that repeats takes larger steps; left out: it keeps its rate. */
  accelerate: z.boolean().optional(),
  /** Which way a drag zooms. */
  zoomAxis: z.enum(['vertical', 'horizontal']).optional(),
  /** Whether a jump to another view is drawn as a short glide; left out: it is. */
  glide: z.boolean().optional(),
  /** The row of words at the pointer: the key that shows it while held, and the words on it; a long press shows it as well. */
  nearHand: z.object({ code: z.string().min(1).max(30), words: z.array(actionSchema).max(12) }).optional(),
  /** Whether zooming goes to the pointer or to the middle. */
  zoomTo: z.enum(['pointer', 'target']),
  /** Size factor of one wheel notch. */
  notch: z.number().gt(1).max(4),
  puck: z
    .object({
      deadZone: z.number().min(0).lt(1),
      curve: z.number().min(0.2).max(5),
      gains: six,
      moves: z.enum(['model', 'camera']),
      /** Whether only the axis that is pushed farthest counts. */
      dominant: z.boolean().optional(),
    })
    .optional(),
});

export const deviceSchema = z.enum(['threeButtonMouse', 'twoButtonMouse', 'touchpad', 'touch', 'pen', 'keyboard', 'puck']);

export const schemeSchema = z.object({
  id: z.string().min(1).max(64),
  revision: z.number().int().min(1),
  name: z.string().trim().min(1).max(80),
  family: z.enum(['mouse', 'touch', 'keyboard', 'puck']),
  device: deviceSchema,
  about: z.string().max(300),
  bindings: z.array(bindingSchema).max(400),
  options: schemeOptionsSchema,
});

/** Which gesture gives which command, as data. */
export type Scheme = z.infer<typeof schemeSchema>;
export type Binding = z.infer<typeof bindingSchema>;
export type Trigger = z.infer<typeof triggerSchema>;
export type Action = z.infer<typeof actionSchema>;
export type Modifier = z.infer<typeof modifierSchema>;
export type PivotRule = z.infer<typeof pivotRuleSchema>;
export type Device = z.infer<typeof deviceSchema>;
export type Aid = (typeof AIDS)[number];
export type SchemeFamily = Scheme['family'];
