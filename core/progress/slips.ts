import type { CriterionId } from '../exercise';
import { actionWords, bindingFor, type Gesture, type KeyLabels, kindsGiven, type Scheme, triggerWords } from '../input';
import type { CommandKind } from '../navigation';

/** A habit of an earlier scheme: a gesture that did there what is asked for here, and does not here. */
export interface Slip {
  readonly gesture: string;
  /** What was asked for. */
  readonly wanted: CommandKind;
  /** "In this scheme right drag pans; orbit is left drag." */
  readonly words: string;
}

/** The commands that would mend a criterion: what is asked for while it is the worst. */
export const KINDS_FOR: Partial<Record<CriterionId, readonly CommandKind[]>> = {
  direction: ['orbit', 'turn'],
  size: ['zoom'],
  placement: ['pan'],
  roll: ['roll'],
  projection: ['projection'],
  margin: ['zoom', 'pan', 'fit'],
  fill: ['zoom', 'fit'],
};

/**
 * Whether a gesture is a slip: the earlier scheme binds it to a command asked for, the present one does not. `wanted`:
 * the commands asked for; `labels`: what stands on the keys, for the words.
 */
export function slipOf(earlier: Scheme, present: Scheme, gesture: Gesture, wanted: readonly CommandKind[], labels?: KeyLabels): Slip | null {
  const was = bindingFor(earlier, gesture);
  const hit = was && kindsGiven(was).find((kind) => wanted.includes(kind));
  if (!was || !hit) return null;
  const is = bindingFor(present, gesture);
  if (is && kindsGiven(is).some((kind) => wanted.includes(kind))) return null;
  const right = present.bindings.find((b) => b.context === 'stage' && kindsGiven(b).includes(hit));
  const here = is ? `In this scheme ${triggerWords(is, labels)} is for: ${actionWords(is)}` : `This scheme does nothing on ${triggerWords(was, labels)}`;
  return {
    gesture: triggerWords(was).slice(0, 80),
    wanted: hit,
    words: right ? `${here}. ${actionWords(was)}: ${triggerWords(right, labels)}.` : `${here}.`,
  };
}
