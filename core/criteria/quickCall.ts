import { z } from 'zod';
import type { CommandKind } from '../navigation';
import { commandTable } from '../navigation/commandTable';
import { finite } from '../view/viewSchema';

const kinds = Object.keys(commandTable) as [CommandKind, ...CommandKind[]];

/**
 * A gesture that is called: the kind of its command, and those of its arguments that matter. A number asks for its sign,
 * `factor` for its side of 1, a word for itself.
 */
export const quickCallSchema = z
  .object({ kind: z.enum(kinds) })
  .catchall(z.union([finite, z.string().max(40)]))
  .refine((call) => Object.keys(call).length <= 6, 'a call has at most five arguments');

export type QuickCall = { readonly kind: CommandKind; readonly [argument: string]: string | number };
