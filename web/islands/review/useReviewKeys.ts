import type { Moment, Replayed } from '@core/review';
import { useEffect } from 'react';
import type { Clock } from './clock';
import { stepped } from './Transport';

/** Whether a press is meant for something else: a field, a list, or a button that space presses. */
const isElsewhere = (event: KeyboardEvent): boolean =>
  event.ctrlKey ||
  event.metaKey ||
  event.altKey ||
  (event.target instanceof HTMLElement && event.target.closest('input, textarea, select, summary, [role=dialog]') !== null) ||
  (event.code === 'Space' && event.target instanceof HTMLElement && event.target.closest('button, a') !== null);

/** All of the playing by keys: space plays, arrows step by gesture, with Shift by command, Page Up and Down go from moment to moment. */
export function useReviewKeys(replayed: Replayed | null, clock: Clock | null, next: (way: 1 | -1) => Moment | null): void {
  useEffect(() => {
    if (!replayed || !clock) return;
    const pressed = (event: KeyboardEvent): void => {
      if (isElsewhere(event)) return;
      const { at, running } = clock.getState();
      const to = (moment: number): void => {
        clock.stop();
        clock.seek(moment);
      };
      const by = event.shiftKey ? 'command' : 'gesture';
      const jump = (way: 1 | -1): void => {
        const moment = next(way);
        if (moment) to(replayed.folding.toFolded(moment.t));
      };
      const keys: { readonly [code: string]: () => void } = {
        Space: running ? clock.stop : clock.play,
        ArrowLeft: () => to(stepped(replayed, at, by, -1)),
        ArrowRight: () => to(stepped(replayed, at, by, 1)),
        Home: () => to(0),
        End: () => to(clock.seconds),
        PageUp: () => jump(-1),
        PageDown: () => jump(1),
      };
      const doing = keys[event.code];
      if (!doing) return;
      event.preventDefault();
      doing();
    };
    window.addEventListener('keydown', pressed);
    return () => window.removeEventListener('keydown', pressed);
  }, [replayed, clock, next]);
}
