import { draftSchema, type Exercise, exerciseSchema } from './exerciseSchema';

/** The newest form in which exercises are kept. */
export const EXERCISE_FORMAT = 2;

/** An exercise as it is kept: its content, and the form it has. */
export const exerciseToKeep = (content: Exercise): Exercise & { readonly format: number } => ({ ...content, format: EXERCISE_FORMAT });

type Kept = { readonly [key: string]: unknown };

/** From each form to the next; the first had no field for it. */
const STEPS: Readonly<Record<number, (kept: Kept) => Kept>> = {
  1: (kept) => ({ ...kept, format: 2 }),
};

/** Brings what was kept to the newest form. What is of a newer one than this program knows is left as it is, for its schema to refuse. */
function upcast(kept: unknown): unknown {
  if (typeof kept !== 'object' || kept === null) return kept;
  let at = kept as Kept;
  for (let format = typeof at.format === 'number' ? at.format : 1; STEPS[format]; format++) at = (STEPS[format] as (kept: Kept) => Kept)(at);
  return at.format === EXERCISE_FORMAT ? at : null;
}

/** A published exercise of any form. Throws a ZodError for what is none. */
export const readExercise = (kept: unknown): Exercise => exerciseSchema.parse(upcast(kept));

/** A draft of any form; null when it cannot be read. */
export function readDraft(kept: unknown): Exercise | null {
  const read = draftSchema.safeParse(upcast(kept));
  return read.success ? read.data : null;
}
