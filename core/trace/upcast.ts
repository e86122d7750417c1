/** The newest form of a trace. */
export const TRACE_FORMAT = 2;

type Kept = { readonly [key: string]: unknown };

/** From each form to the next: the first said `version: 1` and told no moments at which calls were shown. */
const STEPS: Readonly<Record<number, (kept: Kept) => Kept>> = {
  1: ({ version: _, ...kept }) => ({ ...kept, format: 2 }),
};

/** Brings a trace of any form to the newest; anything else is left as it is, for the schema to refuse. */
export function upcastTrace(kept: unknown): unknown {
  if (typeof kept !== 'object' || kept === null) return kept;
  let at = kept as Kept;
  const first = typeof at.format === 'number' ? at.format : at.version === 1 ? 1 : 0;
  for (let format = first; STEPS[format]; format++) at = (STEPS[format] as (kept: Kept) => Kept)(at);
  return at;
}
