import type { Action, Binding, FramePoint, Trigger } from '@core/input';
import { browserFrames, type Frames } from '../frames';
import { createClicks } from './clicks';
import { createDrags, type DragsOptions, type WordPress } from './drags';
import { createFrameScheduler } from './frameScheduler';
import { createGestureDispatch, type DispatchOptions } from './gestureDispatch';
import { createKeys } from './keys';
import { createNearHand } from './nearHandState';
import { createPointerPlaces, type Place } from './pointerPlaces';
import { createTouches } from './touches';
import { createWheels } from './wheels';

export interface ControlsOptions extends DispatchOptions, Pick<DragsOptions, 'canvas' | 'onRectangle' | 'onPivot'> {
  /** Where the pointer is in the free view; null elsewhere. */
  readonly onPointer: (at: FramePoint | null) => void;
  /** Where the near hand is open; null when it is not. */
  readonly onNearHand: (at: FramePoint | null) => void;
  /** When what has gathered is done; left out: with the browser's own pictures. */
  readonly frames?: Frames;
}

/** Devices connected to a session, until `disconnect`. */
export interface Controls {
  /** A word of the near hand was pressed: what goes with the hand follows this pointer until it is let go, all else is done at once. */
  useWord(action: Action, event: WordPress | null): void;
  closeNearHand(): void;
  disconnect(): void;
}

/** A word of the near hand as something bound. */
const asBinding = (command: Action, trigger: Trigger): Binding => ({ context: 'stage', trigger, modifiers: [], command });

/** Connects pointer, wheel and keys to a session: device events become gestures, the scheme makes them commands. */
export function connectControls(options: ControlsOptions): Controls {
  const { canvas, session, aids, scheme, onPointer, onNearHand, onGesture, onAnswered, frames = browserFrames } = options;
  let hover: Place | null = null;
  const places = createPointerPlaces(canvas, aids);
  const dispatch = createGestureDispatch(options);
  const clicked = createClicks(dispatch);
  const nearHand = createNearHand(dispatch, scheme, onNearHand);
  const scheduler = createFrameScheduler(frames, () => {
    touches.flush();
    drags.flush();
    wheels.flush();
  });
  const shared = { canvas, session, places, dispatch, clicked, nearHand, scheme, frames, request: scheduler.request };
  const touches = createTouches(shared);
  const drags = createDrags({ ...shared, onRectangle: options.onRectangle, onPivot: options.onPivot });
  const wheels = createWheels(shared);
  const cancel = (): void => {
    nearHand.stopWaiting();
    touches.drop();
    if (drags.cancel()) scheduler.drop();
  };
  const keys = createKeys({ ...shared, hover: () => hover, dragging: drags.running, cancel, onGesture, onAnswered });
  const feelsFingers = (): boolean => scheme().bindings.some((b) => b.trigger.kind === 'touch');

  const onDown = (event: PointerEvent): void => {
    canvas.focus({ preventScroll: true });
    nearHand.close();
    if (event.pointerType === 'touch' && feelsFingers()) touches.down(event);
    else if (!drags.running()) drags.down(event);
    // A second button takes the gesture back.
    else if (drags.follows(event)) cancel();
  };
  const onMove = (event: PointerEvent): void => {
    if (touches.running()) {
      touches.move(event);
      return;
    }
    hover = places.of(event);
    onPointer(hover.pane.name === 'free' ? hover.at : null);
    // Another button that goes down while one is held comes as a move.
    if (drags.follows(event) && event.buttons !== undefined && (event.buttons & (event.buttons - 1)) !== 0) cancel();
    else drags.move(event);
  };
  const onUp = (event: PointerEvent): void => {
    if (touches.running()) {
      touches.up(event);
      return;
    }
    if (!drags.up(event)) return;
    // The drag was told whole; what the wheel gathered meanwhile still waits for its picture.
    scheduler.drop();
    if (wheels.waiting()) scheduler.request();
  };
  /** A finger that leaves without a word is lifted. */
  const onLost = (event: PointerEvent): void => {
    if (touches.running()) touches.up(event);
  };
  const onLeave = (): void => {
    if (drags.running()) return;
    hover = null;
    onPointer(null);
  };
  const prevent = (event: Event): void => event.preventDefault();

  const onCanvas: readonly [string, (event: never) => void][] = [
    ['pointerdown', onDown],
    ['pointermove', onMove],
    ['pointerup', onUp],
    ['pointercancel', cancel],
    ['lostpointercapture', onLost],
    ['pointerleave', onLeave],
    ['contextmenu', prevent],
    ['auxclick', prevent],
  ];
  const onWindow: readonly [string, (event: never) => void][] = [
    ['keydown', keys.down],
    ['keyup', keys.up],
    ['blur', keys.release],
  ];
  for (const [kind, listener] of onCanvas) canvas.addEventListener(kind, listener as EventListener);
  for (const [kind, listener] of onWindow) window.addEventListener(kind, listener as EventListener);
  canvas.addEventListener('wheel', wheels.roll, { passive: false });
  return {
    closeNearHand: nearHand.close,
    useWord(action, event) {
      const over = nearHand.take();
      if (!over) return;
      const context = { pane: over.pane, pick: over.pick, id: session.newGesture() };
      if (action.kind === 'move' && event) drags.follow(event, context, asBinding(action, { kind: 'drag', button: 'left' }));
      else
        dispatch.dispatch(
          { kind: 'key', code: 'NearHand', modifiers: [], at: over.at },
          { ...context, device: 'interface', using: asBinding(action, { kind: 'key', code: 'NearHand' }) },
        );
    },
    disconnect() {
      scheduler.drop();
      nearHand.stopWaiting();
      keys.release();
      for (const [kind, listener] of onCanvas) canvas.removeEventListener(kind, listener as EventListener);
      for (const [kind, listener] of onWindow) window.removeEventListener(kind, listener as EventListener);
      canvas.removeEventListener('wheel', wheels.roll);
    },
  };
}
