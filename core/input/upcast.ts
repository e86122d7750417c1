import { type Scheme, schemeSchema } from './schemeSchema';

/** The newest form in which schemes are kept. */
export const SCHEME_FORMAT = 2;

/** A scheme as it is kept: its content, and the form it has. */
export const schemeToKeep = (scheme: Scheme): Scheme & { readonly format: number } => ({ ...scheme, format: SCHEME_FORMAT });

/** From each form to the next; the first had no field for it. */
const STEPS: Readonly<Record<number, (kept: Record<string, unknown>) => Record<string, unknown>>> = {
  1: (kept) => ({ ...kept, format: 2 }),
};

/** A scheme of any form. Throws a ZodError for what is none. */
export function readScheme(kept: unknown): Scheme {
  let at = (typeof kept === 'object' && kept !== null ? kept : {}) as Record<string, unknown>;
  for (let format = typeof at.format === 'number' ? at.format : 1; STEPS[format]; format++) at = STEPS[format]?.(at) ?? at;
  return schemeSchema.parse(at.format === SCHEME_FORMAT ? at : null);
}
