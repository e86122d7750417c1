import type { FramePoint, Modifier, PointerButton } from '@core/input';
import type { Acting, Doing } from './acting';

/** A press that moves less than this is a click, pixels. */
export const CLICK_PIXELS = 4;
const DOUBLE_MS = 350;

/** Tells a second click soon after the first, at the same place, from two clicks. */
export function createClicks(acting: Acting) {
  let last: { at: number; x: number; y: number } | null = null;
  return (event: Pick<PointerEvent, 'clientX' | 'clientY'>, at: FramePoint, button: PointerButton, modifiers: readonly Modifier[], doing: Doing): void => {
    const now = performance.now();
    const twice = last && now - last.at < DOUBLE_MS && Math.hypot(event.clientX - last.x, event.clientY - last.y) < 2 * CLICK_PIXELS;
    last = twice ? null : { at: now, x: event.clientX, y: event.clientY };
    acting.act({ kind: 'click', button, count: twice ? 2 : 1, modifiers, at }, doing);
  };
}
export type Clicks = ReturnType<typeof createClicks>;
