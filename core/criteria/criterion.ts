import type { CommandKind } from '../navigation';
import type { Advice } from './advice';
import type { Measured } from './measured';

/** How a value is shown. */
export type Display = 'degrees' | 'octaves' | 'percent' | 'match' | 'yesNo' | 'seconds' | 'metres' | 'count' | 'number';

/** One thing that an attempt is judged by. Its value is a number, smaller is better. */
export interface CriterionSpec {
  readonly label: string;
  /** Unit of the value. */
  readonly unit: string;
  readonly display: Display;
  /** What the per cent are of, as on the screen. */
  readonly of?: string;
  /** How it is measured, in a sentence. */
  readonly how: string;
  /** Tolerance that it is added with: full marks up to `full`, none from `zero`. */
  readonly tolerance: { readonly full: number; readonly zero: number };
  /** Whether the present scene alone tells it. */
  readonly live: boolean;
  /** Its place in the order in which a coach goes. */
  readonly rank: number;
  /** The commands that mend it: what is asked for while it is the worst. */
  readonly mendedBy?: readonly CommandKind[];
  /** Whether its figure tells a learner nothing of a hidden target. */
  readonly tellsNothing?: true;
  /** Of a size: how many times too large, as its advice tells it, so that figure and sentence are one; null without a value. */
  tooLarge?(m: Measured): number | null;
  /** Value in its own unit; null when it cannot be computed, which earns nothing. */
  measure(m: Measured): number | null;
  /** Whether a step in which it has no value is judged without it. */
  readonly mayBeLeftOut?: true;
  /** What to change, or what there is to remark. `value` is what `measure` gave. */
  advise(m: Measured, value: number | null): Advice;
}
