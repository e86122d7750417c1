import { actionWords, bindingFor, commandKindsOf, type Gesture, type KeyLabels, type Scheme, triggerWords } from '../input';
import type { CommandKind } from '../navigation';

/** A habit of an earlier scheme: a gesture that did something there which it does not do here. */
export interface Slip {
  readonly gesture: string;
  /** What it did there. */
  readonly wanted: CommandKind;
  /** "In this scheme right drag pans; orbit is left drag." */
  readonly words: string;
}

/** What a gesture did in the earlier scheme and does not do in the present one, if anything; of several, what is asked for. */
function lostIn(earlier: Scheme, present: Scheme, gesture: Gesture, wanted: readonly CommandKind[]) {
  const was = bindingFor(earlier, gesture);
  const kinds = was ? commandKindsOf(was) : [];
  const is = bindingFor(present, gesture);
  const does = is ? commandKindsOf(is) : [];
  const meant = kinds.find((kind) => wanted.includes(kind)) ?? kinds[0];
  if (!was || !meant || does.some((kind) => kinds.includes(kind))) return null;
  return { was, is, does, meant };
}

function slipMade({ was, is, meant }: NonNullable<ReturnType<typeof lostIn>>, present: Scheme, labels?: KeyLabels): Slip {
  const right = present.bindings.find((b) => b.context === 'stage' && commandKindsOf(b).includes(meant));
  const here = is ? `In this scheme ${triggerWords(is, labels)} is for: ${actionWords(is)}` : `This scheme does nothing on ${triggerWords(was, labels)}`;
  return {
    gesture: triggerWords(was).slice(0, 80),
    wanted: meant,
    words: right ? `${here}. ${actionWords(was)}: ${triggerWords(right, labels)}.` : `${here}.`,
  };
}

/**
 * Whether a gesture is a slip: it did in the earlier scheme what is asked for, and does not in the present one. `wanted`:
 * the commands asked for; `labels`: what stands on the keys, for the words.
 */
export function slipOf(earlier: Scheme, present: Scheme, gesture: Gesture, wanted: readonly CommandKind[], labels?: KeyLabels): Slip | null {
  const lost = lostIn(earlier, present, gesture, wanted);
  return lost && wanted.includes(lost.meant) && !lost.does.some((kind) => wanted.includes(kind)) ? slipMade(lost, present, labels) : null;
}

/** What was done by an old habit and is taken back this soon was not meant, seconds. */
const TAKEN_BACK = 4;
/** The same gesture again this soon is the same movement, seconds: a wheel gives many. */
const SAME_MOVEMENT = 1;

/** Hears of every gesture in the order of time, and tells which are old habits. */
export interface SlipWatch {
  /** `t`: seconds; `wanted`: the commands asked for, as far as that is known. */
  hear(gesture: Gesture, t: number, wanted: readonly CommandKind[]): Slip | null;
}

/**
 * Notices habits of an earlier scheme in any exercise. A gesture that does nothing here is one at once, and so is one that
 * does something else than what is asked for; where nothing is known to be asked, one that does something else is a habit
 * when it is taken back.
 */
export function createSlipWatch(earlier: Scheme, present: Scheme, labels?: KeyLabels): SlipWatch {
  let doubtful: { readonly slip: Slip; readonly t: number } | null = null;
  let last: { readonly gesture: string; readonly t: number } | null = null;
  const told = (slip: Slip, t: number): Slip | null => {
    const again = last !== null && last.gesture === slip.gesture && t - last.t < SAME_MOVEMENT;
    last = { gesture: slip.gesture, t };
    return again ? null : slip;
  };
  return {
    hear(gesture, t, wanted) {
      const before = doubtful;
      doubtful = null;
      const lost = lostIn(earlier, present, gesture, wanted);
      if (lost) {
        const slip = slipMade(lost, present, labels);
        if (!lost.is || (wanted.includes(lost.meant) && !lost.does.some((kind) => wanted.includes(kind)))) return told(slip, t);
        doubtful = { slip, t };
        return null;
      }
      const is = bindingFor(present, gesture);
      const takesBack = is !== null && commandKindsOf(is).some((kind) => kind === 'back' || kind === 'reset');
      return before && takesBack && t - before.t <= TAKEN_BACK ? told(before.slip, t) : null;
    },
  };
}
