import type { RedactedGoal } from '@core/goals';
import type { StageHandle } from '@web/stage/useStage';
import { useCallback, useEffect, useRef } from 'react';

/** How long a subject is shown, ms. */
const SHOWN = 1800;
const NONE: readonly string[] = [];

/** The parts that a goal is about; none: all of the model. */
const subjectIn = (goal: RedactedGoal | undefined): readonly string[] => (goal && 'subject' in goal ? goal.subject : NONE);

/** The subject of a goal, shown for a moment on the stage when its step begins, and when `show` is called. */
export function useSubjectShown(handle: StageHandle | null, goal: RedactedGoal | undefined): { readonly parts: readonly string[]; readonly show: () => void } {
  const parts = subjectIn(goal);
  const ends = useRef<() => void>(() => {});
  const show = useCallback(() => {
    ends.current();
    if (!handle || parts.length === 0) return;
    handle.renderer.setMarked(parts);
    const timer = setTimeout(() => handle.renderer.setMarked(NONE), SHOWN);
    ends.current = () => {
      clearTimeout(timer);
      handle.renderer.setMarked(NONE);
      ends.current = () => {};
    };
  }, [handle, parts]);
  useEffect(() => {
    show();
    return () => ends.current();
  }, [show]);
  return { parts, show };
}
