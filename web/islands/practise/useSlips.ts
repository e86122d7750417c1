import type { Call } from '@core/exercise';
import type { Gesture, KeyLabels, Scheme } from '@core/input';
import type { CommandKind } from '@core/navigation';
import { KINDS_FOR, slipOf } from '@core/progress';
import type { Session } from '@web/stage/session';
import type { Closeness } from '@web/workers/closeness.worker';
import { useRef, useState } from 'react';
import { toast } from 'sonner';

const KEPT = 'dial-home-earlier-scheme';

/** What is asked for at this moment: the view that is called, or what would mend the worst of what is judged. */
function wantedNow(call: Call | null, closeness: Closeness | null): readonly CommandKind[] {
  if (call) return call.kind === 'face' ? ['normalTo'] : call.kind === 'opposite' ? ['opposite'] : ['standard'];
  return (closeness?.worst && KINDS_FOR[closeness.worst.id]) ?? [];
}

export interface Slips {
  /** The scheme that the trainee comes from. */
  readonly earlierId: string;
  readonly setEarlier: (id: string) => void;
  readonly onGesture: (gesture: Gesture) => void;
  /** Where what is asked for is told to `onGesture`, which hears of gestures outside of drawing. */
  readonly now: { current: { session: Session | null; call: Call | null; closeness: Closeness | null; step: number } };
}

/** Notices habits of an earlier scheme, says gently what this one does instead, and counts them in the attempt. */
export function useSlips(schemes: readonly Scheme[], present: Scheme, labels: KeyLabels | undefined): Slips {
  const [earlierId, setEarlierId] = useState(() => window.localStorage.getItem(KEPT) ?? '');
  const now = useRef<Slips['now']['current']>({ session: null, call: null, closeness: null, step: 0 });
  const earlier = schemes.find((scheme) => scheme.id === earlierId && scheme.id !== present.id);
  return {
    earlierId,
    setEarlier(id) {
      window.localStorage.setItem(KEPT, id);
      setEarlierId(id);
    },
    now,
    onGesture(gesture) {
      const { session, call, closeness, step } = now.current;
      if (!earlier || !session) return;
      const slip = slipOf(earlier, present, gesture, wantedNow(call, closeness), labels);
      if (!slip) return;
      session.event({ kind: 'slip', step, gesture: slip.gesture, wanted: slip.wanted });
      toast(slip.words);
    },
  };
}
