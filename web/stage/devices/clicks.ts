import type { FramePoint, Modifier, PointerButton } from '@core/input';
import type { GestureContext, GestureDispatch } from './gestureDispatch';

/** A press that moves less than this is a click, pixels. */
export const CLICK_PIXELS = 4;
const DOUBLE_MS = 350;

/** Tells a second click soon after the first, at the same place, from two clicks. */
export function createClicks(dispatch: GestureDispatch) {
  let last: { at: number; x: number; y: number } | null = null;
  return (
    event: Pick<PointerEvent, 'clientX' | 'clientY'>,
    at: FramePoint,
    button: PointerButton,
    modifiers: readonly Modifier[],
    context: GestureContext,
  ): void => {
    const now = performance.now();
    const twice = last && now - last.at < DOUBLE_MS && Math.hypot(event.clientX - last.x, event.clientY - last.y) < 2 * CLICK_PIXELS;
    last = twice ? null : { at: now, x: event.clientX, y: event.clientY };
    dispatch.dispatch({ kind: 'click', button, count: twice ? 2 : 1, modifiers, at }, context);
  };
}
export type Clicks = ReturnType<typeof createClicks>;
