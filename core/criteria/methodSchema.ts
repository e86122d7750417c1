import { z } from 'zod';
import { HANDS } from '../input/hands';
import type { CommandKind } from '../navigation/command';
import { commandTable } from '../navigation/commandTable';
import { vec3Schema } from '../view/viewSchema';

const KINDS = Object.keys(commandTable) as [CommandKind, ...CommandKind[]];

/** How a step has to be done, where that is judged. */
export const methodSchema = z.object({
  /** Round which point orbits have to turn, and how far off their pivot may lie, world metres. */
  pivot: z.object({ point: vec3Schema, within: z.number().positive('give a distance above 0').max(1e6) }).optional(),
  /** Which commands have to be given with what. */
  hand: z.object({ kinds: z.array(z.enum(KINDS)).min(1, 'name the commands').max(40), by: z.enum(HANDS) }).optional(),
});

export type Method = z.infer<typeof methodSchema>;
