import type { FramePoint } from '@core/input';
import { between, type Grip, gripOf } from './fingers';
import type { GestureContext } from './gestureDispatch';
import type { PointerServices } from './pointerServices';

/** A finger is less steady than a mouse, pixels. */
const TOUCH_PIXELS = 8;

interface Touch extends GestureContext {
  readonly fingers: Map<number, FramePoint>;
  readonly from: FramePoint;
  grip: Grip;
  moved: boolean;
}

/** Fingers on the screen, from the first that comes down to the last that is lifted. */
export interface Touches {
  running(): boolean;
  down(event: PointerEvent): void;
  move(event: PointerEvent): void;
  up(event: PointerEvent): void;
  /** Does what the fingers did since the last picture. */
  flush(): void;
  drop(): void;
}

export function createTouches({ canvas, session, places, dispatch, clicked, nearHand, request }: PointerServices): Touches {
  let touch: Touch | null = null;
  const tell = (now: Touch, done: boolean): void => {
    const last = now.grip;
    const grip = gripOf([...now.fingers.values()]) ?? last;
    const to = grip.count === last.count ? grip.middle : last.middle;
    now.grip = grip;
    dispatch.dispatch({ kind: 'touch', fingers: last.count, from: now.from, last: last.middle, to, ...between(last, grip), done }, now);
  };
  /** A finger more or less begins a new grip. */
  const regrip = (now: Touch): void => {
    now.grip = gripOf([...now.fingers.values()]) ?? now.grip;
  };
  return {
    running: () => touch !== null,
    drop() {
      touch = null;
    },
    flush() {
      if (touch?.moved) tell(touch, false);
    },
    down(event) {
      event.preventDefault();
      canvas.setPointerCapture(event.pointerId);
      if (!touch) {
        const place = places.of(event);
        touch = {
          fingers: new Map([[event.pointerId, place.at]]),
          pane: place.pane,
          pick: dispatch.pickAt(place),
          id: session.newGesture(),
          device: 'touch',
          from: place.at,
          grip: gripOf([place.at]) as Grip,
          moved: false,
        };
        nearHand.waitFor(event, place, () => {
          if (!touch || touch.moved || touch.fingers.size > 1) return false;
          touch = null;
          return true;
        });
        return;
      }
      if (touch.moved) tell(touch, false);
      nearHand.stopWaiting();
      touch.fingers.set(event.pointerId, places.within(touch.pane, event));
      regrip(touch);
    },
    move(event) {
      if (!touch?.fingers.has(event.pointerId)) return;
      const at = places.within(touch.pane, event);
      touch.fingers.set(event.pointerId, at);
      const far = Math.hypot(at.u - touch.from.u, at.v - touch.from.v) * places.height() >= TOUCH_PIXELS;
      if (touch.fingers.size > 1 || far) touch.moved = true;
      if (!touch.moved) return;
      nearHand.stopWaiting();
      request();
    },
    up(event) {
      nearHand.stopWaiting();
      if (!touch?.fingers.has(event.pointerId)) return;
      if (touch.moved) tell(touch, touch.fingers.size === 1);
      touch.fingers.delete(event.pointerId);
      if (touch.fingers.size > 0) {
        regrip(touch);
        return;
      }
      const ended = touch;
      touch = null;
      if (ended.moved) return;
      if (nearHand.wasLong(event)) nearHand.open({ at: ended.from, pane: ended.pane }, false);
      else clicked(event, ended.from, 'left', [], ended);
    },
  };
}
