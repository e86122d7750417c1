import { z } from 'zod';
import { Command } from '../navigation/command';

export const modifierSchema = z.enum(['shift', 'ctrl', 'alt']);

/** What a hand does: the device's side of a binding. `code`: KeyboardEvent.code, a place on the keyboard, not a letter. */
export const triggerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('drag'), button: z.enum(['left', 'middle', 'right']) }),
  z.object({ kind: z.literal('click'), button: z.enum(['left', 'middle', 'right']), count: z.union([z.literal(1), z.literal(2)]) }),
  z.object({ kind: z.literal('wheel') }),
  z.object({ kind: z.literal('key'), code: z.string().min(1).max(30) }),
  z.object({ kind: z.literal('axes') }),
  z.object({ kind: z.literal('puckButton'), button: z.number().int().min(1).max(32) }),
]);

/** What comes of it: a continuous way to move, a ready command, or one that takes what is under the pointer or selected. */
export const actionSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('move'), does: z.enum(['orbit', 'pan', 'zoom', 'roll', 'look', 'zoomRegion', 'sixAxes']) }),
  z.object({ kind: z.literal('command'), command: Command }),
  z.object({ kind: z.literal('atPointer'), does: z.enum(['select', 'centre', 'lookAt', 'normalTo', 'section']) }),
  z.object({ kind: z.literal('selection'), does: z.enum(['hide', 'glass', 'isolate']) }),
  z.object({ kind: z.literal('toggle'), does: z.enum(['projection', 'style']) }),
]);

export const bindingSchema = z.object({
  context: z.enum(['stage']),
  trigger: triggerSchema,
  modifiers: z.array(modifierSchema).max(3),
  command: actionSchema,
  gain: z.number().gt(0).max(100).optional(),
  invert: z.boolean().optional(),
});

const six = z.tuple([z.number(), z.number(), z.number(), z.number(), z.number(), z.number()]).readonly();

export const schemeOptionsSchema = z.object({
  orbit: z.enum(['turntable', 'trackball']),
  /** What an orbit turns about: the point under the pointer, what is selected, or the middle of the view. */
  pivot: z.enum(['pointer', 'selection', 'target']),
  /** Whether zooming goes to the pointer or to the middle. */
  zoomTo: z.enum(['pointer', 'target']),
  /** Size factor of one wheel notch. */
  notch: z.number().gt(1).max(4),
  puck: z.object({ deadZone: z.number().min(0).lt(1), curve: z.number().min(0.2).max(5), gains: six, moves: z.enum(['model', 'camera']) }).optional(),
});

export const schemeSchema = z.object({
  id: z.string().min(1).max(64),
  revision: z.number().int().min(1),
  name: z.string().trim().min(1).max(80),
  family: z.enum(['mouse', 'keyboard', 'puck']),
  device: z.enum(['threeButtonMouse', 'twoButtonMouse', 'keyboard', 'puck']),
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
export type SchemeFamily = Scheme['family'];
