import { actionWords, bindingFor, commandKindsOf, type Gesture, type KeyLabels, type Scheme, triggerWords } from '../input';
import type { CommandKind } from '../navigation';

/** A habit of an earlier scheme: a gesture that did there what is asked for here, and does not here. */
export interface Slip {
  readonly gesture: string;
  /** What was asked for. */
  readonly wanted: CommandKind;
  /** "In this scheme right drag pans; orbit is left drag." */
  readonly words: string;
}

/**
 * Whether a gesture is a slip: the earlier scheme binds it to a command asked for, the present one does not. `wanted`:
 * the commands asked for; `labels`: what stands on the keys, for the words.
 */
export function slipOf(earlier: Scheme, present: Scheme, gesture: Gesture, wanted: readonly CommandKind[], labels?: KeyLabels): Slip | null {
  const was = bindingFor(earlier, gesture);
  const hit = was && commandKindsOf(was).find((kind) => wanted.includes(kind));
  if (!was || !hit) return null;
  const is = bindingFor(present, gesture);
  if (is && commandKindsOf(is).some((kind) => wanted.includes(kind))) return null;
  const right = present.bindings.find((b) => b.context === 'stage' && commandKindsOf(b).includes(hit));
  const here = is ? `In this scheme ${triggerWords(is, labels)} is for: ${actionWords(is)}` : `This scheme does nothing on ${triggerWords(was, labels)}`;
  return {
    gesture: triggerWords(was).slice(0, 80),
    wanted: hit,
    words: right ? `${here}. ${actionWords(was)}: ${triggerWords(right, labels)}.` : `${here}.`,
  };
}
