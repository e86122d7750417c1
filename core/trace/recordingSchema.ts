import { z } from 'zod';
import { Command } from '../navigation/command';
import { sceneSchema } from '../navigation/sceneSchema';

/** A recording is at most so long, seconds, and holds so many commands. */
export const LONGEST = 90;
export const MOST_MOVES = 1500;

/** How something was done, to be watched: commands from a scene, seconds from its beginning. */
export const recordingSchema = z.object({
  start: sceneSchema,
  moves: z
    .array(z.object({ t: z.number().min(0).max(LONGEST), command: Command, gesture: z.number().int().min(0).optional() }))
    .min(1, 'record a movement')
    .max(MOST_MOVES, 'record a shorter one'),
  seconds: z.number().min(0).max(LONGEST),
});

export type Recording = z.infer<typeof recordingSchema>;
