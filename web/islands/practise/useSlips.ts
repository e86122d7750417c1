import type { Prompt } from '@core/goals';
import type { Gesture, KeyLabels, Scheme } from '@core/input';
import type { CommandKind } from '@core/navigation';
import { createSlipWatch } from '@core/progress';
import type { Recorder } from '@web/stage/recorder';
import { say } from '@web/ui/say';
import type { Closeness } from '@web/workers/closeness.worker';
import { useMemo, useState } from 'react';

const KEPT = 'dial-home-earlier-scheme';

/** What is asked for at a moment. */
export interface WantedNow {
  readonly session: Recorder;
  readonly step: number;
  readonly prompt: Prompt | null;
  readonly closeness: Closeness | null;
}

/** The commands that would give what is asked, or mend what is lost most. */
function kindsWanted({ prompt, closeness }: WantedNow): readonly CommandKind[] {
  if (prompt?.code === 'call' || prompt?.code === 'quick') return prompt.wants;
  return closeness?.mendedBy ?? [];
}

export interface Slips {
  /** The scheme that the trainee comes from. */
  readonly earlierId: string;
  readonly setEarlier: (id: string) => void;
  /** Hears of a gesture, and of what was asked for when it was made. */
  readonly onGesture: (gesture: Gesture, now: WantedNow) => void;
}

/** Notices habits of an earlier scheme, says gently what this one does instead, and counts them in the attempt. */
export function useSlips(schemes: readonly Scheme[], present: Scheme, labels: KeyLabels | undefined): Slips {
  const [earlierId, setEarlierId] = useState(() => window.localStorage.getItem(KEPT) ?? '');
  const earlier = schemes.find((scheme) => scheme.id === earlierId && scheme.id !== present.id);
  const watch = useMemo(() => (earlier ? createSlipWatch(earlier, present, labels) : null), [earlier, present, labels]);
  return {
    earlierId,
    setEarlier(id) {
      window.localStorage.setItem(KEPT, id);
      setEarlierId(id);
    },
    onGesture(gesture, now) {
      const slip = watch?.hear(gesture, now.session.time(), kindsWanted(now));
      if (!slip) return;
      now.session.event({ kind: 'slip', step: now.step, gesture: slip.gesture, wanted: slip.wanted });
      say(slip.words);
    },
  };
}
