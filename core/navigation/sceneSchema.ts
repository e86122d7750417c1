import { z } from 'zod';
import { planeSchema } from '../geometry/planeSchema';
import { viewSchema } from '../view/viewSchema';
import { selectionSchema, styleSchema, visibilitySchema } from './command';

const views = z.array(viewSchema).max(100_000);

/** View history. `gesture`: the running gesture that owns the newest entry; `stash`: what `forward` held before it. */
export const historySchema = z.object({
  past: views,
  future: views,
  gesture: z.number().int().nullable(),
  stash: views,
});

/** All that a command can change. A part that `visibility` does not name is shown. */
export const sceneSchema = z.object({
  view: viewSchema,
  section: planeSchema.nullable(),
  visibility: z.record(z.string(), visibilitySchema),
  style: styleSchema,
  selection: selectionSchema,
  history: historySchema,
});

/** A scene as it is kept under a name: what is seen, without selection and history. */
export const keptSceneSchema = sceneSchema.pick({ view: true, section: true, visibility: true, style: true });
