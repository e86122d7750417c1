import { bindingFor, bindingName, type FramePoint, type Gesture, type Modifier, type Pick, resolve, type Scheme, whyNothing } from '@core/input';
import type { MoveGesture } from '@core/trace';
import { FRAME_ASPECT } from '@core/view';
import type { Picker } from './picking';
import type { Session } from './session';

/** Wheel ticks and repeated keys belong together until this long a rest, ms. */
const REST = 400;
const CLICK_PIXELS = 4;
const DOUBLE_MS = 350;
const PIXELS_A_NOTCH = 100;
const LINES_A_NOTCH = 3;
const BUTTONS = ['left', 'middle', 'right'] as const;
/** Keys belong to these while they have the focus. */
const TAKES_KEYS =
  'input, textarea, select, [contenteditable], [role=slider], [role=dialog], [role=radio], [role=tab], [role=menu], [role=listbox], [role=combobox]';

export interface ControlsOptions {
  readonly canvas: HTMLElement;
  readonly session: Session;
  readonly scheme: () => Scheme;
  readonly pick: Picker;
  /** The rectangle being drawn, in frame units, or null. */
  readonly onRectangle: (rectangle: { from: FramePoint; to: FramePoint } | null) => void;
  /** Where the pointer grabbed the model, while it orbits about it. */
  readonly onGrab: (point: Pick | null) => void;
}

interface Drag {
  readonly pointer: number;
  readonly button: (typeof BUTTONS)[number];
  readonly modifiers: readonly Modifier[];
  readonly from: FramePoint;
  readonly x: number;
  readonly y: number;
  readonly pick: Pick | null;
  readonly id: number;
  readonly device: MoveGesture['device'];
  last: FramePoint;
  to: FramePoint;
  moved: boolean;
}

const modifiersOf = (event: { shiftKey: boolean; ctrlKey: boolean; altKey: boolean }): Modifier[] => [
  ...(event.shiftKey ? (['shift'] as const) : []),
  ...(event.ctrlKey ? (['ctrl'] as const) : []),
  ...(event.altKey ? (['alt'] as const) : []),
];

/** Connects pointer, wheel and keys to a session: device events become gestures, the scheme makes them commands. */
export function connectControls({ canvas, session, scheme, pick, onRectangle, onGrab }: ControlsOptions): () => void {
  let drag: Drag | null = null;
  let hover: FramePoint | null = null;
  let frame = 0;
  let wheel: { notches: number; at: FramePoint; modifiers: Modifier[] } | null = null;
  let wheelGroup: { id: number; at: number } | null = null;
  let keyGroup: { id: number; at: number; name: string } | null = null;
  let lastClick: { at: number; x: number; y: number } | null = null;

  const framePoint = (event: { clientX: number; clientY: number }): FramePoint => {
    const box = canvas.getBoundingClientRect();
    return { u: ((event.clientX - box.left) / box.width - 0.5) * FRAME_ASPECT, v: 0.5 - (event.clientY - box.top) / box.height };
  };

  const act = (gesture: Gesture, found: Pick | null, id: number, device: MoveGesture['device']): boolean => {
    const binding = bindingFor(scheme(), gesture);
    if (!binding) return false;
    const { scene } = session.getState();
    const commands = resolve(scheme(), gesture, scene, found);
    const why = commands.length === 0 ? whyNothing(scheme(), gesture) : null;
    if (why) session.say(why);
    else session.perform(commands, { id, device, binding: bindingName(binding) });
    return true;
  };

  const dragGesture = (d: Drag, done: boolean): Gesture => ({
    kind: 'drag',
    button: d.button,
    modifiers: d.modifiers,
    from: d.from,
    last: d.last,
    to: d.to,
    done,
  });

  const flush = (): void => {
    frame = 0;
    if (drag?.moved) {
      const gesture = dragGesture(drag, false);
      const does = bindingFor(scheme(), gesture)?.command;
      if (does?.kind === 'move' && does.does === 'zoomRegion') onRectangle({ from: drag.from, to: drag.to });
      else act(gesture, drag.pick, drag.id, drag.device);
      if (does?.kind === 'move' && does.does === 'orbit') onGrab(drag.pick);
      drag.last = drag.to;
    }
    if (wheel) {
      const { notches, at, modifiers } = wheel;
      wheel = null;
      const now = performance.now();
      if (!wheelGroup || now - wheelGroup.at > REST) wheelGroup = { id: session.newGesture(), at: now };
      wheelGroup.at = now;
      act({ kind: 'wheel', modifiers, notches, at }, pick(session.getState().scene, at.u, at.v), wheelGroup.id, 'mouse');
    }
  };
  const request = (): void => {
    if (!frame) frame = requestAnimationFrame(flush);
  };

  const onDown = (event: PointerEvent): void => {
    canvas.focus({ preventScroll: true });
    if (drag || event.button > 2) return;
    event.preventDefault();
    canvas.setPointerCapture(event.pointerId);
    const at = framePoint(event);
    drag = {
      pointer: event.pointerId,
      button: BUTTONS[event.button as 0 | 1 | 2],
      modifiers: modifiersOf(event),
      from: at,
      last: at,
      to: at,
      x: event.clientX,
      y: event.clientY,
      pick: pick(session.getState().scene, at.u, at.v),
      id: session.newGesture(),
      device: event.pointerType === 'pen' ? 'pen' : event.pointerType === 'touch' ? 'touch' : 'mouse',
      moved: false,
    };
  };

  const onMove = (event: PointerEvent): void => {
    hover = framePoint(event);
    if (!drag || event.pointerId !== drag.pointer) return;
    drag.to = hover;
    if (!drag.moved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) >= CLICK_PIXELS) drag.moved = true;
    if (drag.moved) request();
  };

  const endDrag = (): void => {
    drag = null;
    onRectangle(null);
    onGrab(null);
  };

  const onUp = (event: PointerEvent): void => {
    if (!drag || event.pointerId !== drag.pointer) return;
    const ended = drag;
    ended.to = framePoint(event);
    if (ended.moved) {
      cancelAnimationFrame(frame);
      frame = 0;
      act(dragGesture(ended, true), ended.pick, ended.id, ended.device);
      if (wheel) request();
    } else {
      const now = performance.now();
      const twice = lastClick && now - lastClick.at < DOUBLE_MS && Math.hypot(event.clientX - lastClick.x, event.clientY - lastClick.y) < 2 * CLICK_PIXELS;
      lastClick = twice ? null : { at: now, x: event.clientX, y: event.clientY };
      act({ kind: 'click', button: ended.button, count: twice ? 2 : 1, modifiers: ended.modifiers, at: ended.from }, ended.pick, ended.id, ended.device);
    }
    endDrag();
  };

  const cancel = (): void => {
    if (!drag) return;
    cancelAnimationFrame(frame);
    frame = 0;
    if (drag.moved) session.perform([{ kind: 'cancel' }], { id: drag.id, device: drag.device, binding: 'Esc' });
    endDrag();
  };

  const onWheel = (event: WheelEvent): void => {
    event.preventDefault();
    const notches = -event.deltaY / (event.deltaMode === WheelEvent.DOM_DELTA_LINE ? LINES_A_NOTCH : PIXELS_A_NOTCH);
    // A pinch on a touchpad comes as a wheel with the control key that nobody holds.
    const modifiers = modifiersOf(event).filter((m) => m !== 'ctrl');
    wheel = { notches: (wheel?.notches ?? 0) + notches, at: framePoint(event), modifiers };
    request();
  };

  const onKey = (event: KeyboardEvent): void => {
    if (event.metaKey || event.defaultPrevented) return;
    if (event.target instanceof Element && event.target.closest(TAKES_KEYS)) return;
    if (document.querySelector('[role=dialog][data-state=open]')) return;
    if (event.code === 'Escape' && drag) {
      cancel();
      return;
    }
    const gesture: Gesture = { kind: 'key', code: event.code, modifiers: modifiersOf(event), at: hover };
    const binding = bindingFor(scheme(), gesture);
    if (!binding) return;
    event.preventDefault();
    const now = performance.now();
    const name = bindingName(binding);
    if (!keyGroup || keyGroup.name !== name || now - keyGroup.at > REST) keyGroup = { id: session.newGesture(), at: now, name };
    keyGroup.at = now;
    act(gesture, hover ? pick(session.getState().scene, hover.u, hover.v) : null, keyGroup.id, 'keyboard');
  };

  const onLeave = (): void => {
    if (!drag) hover = null;
  };
  const prevent = (event: Event): void => event.preventDefault();

  canvas.addEventListener('pointerdown', onDown);
  canvas.addEventListener('pointermove', onMove);
  canvas.addEventListener('pointerup', onUp);
  canvas.addEventListener('pointercancel', cancel);
  canvas.addEventListener('pointerleave', onLeave);
  canvas.addEventListener('wheel', onWheel, { passive: false });
  canvas.addEventListener('contextmenu', prevent);
  canvas.addEventListener('auxclick', prevent);
  window.addEventListener('keydown', onKey);
  return () => {
    cancelAnimationFrame(frame);
    canvas.removeEventListener('pointerdown', onDown);
    canvas.removeEventListener('pointermove', onMove);
    canvas.removeEventListener('pointerup', onUp);
    canvas.removeEventListener('pointercancel', cancel);
    canvas.removeEventListener('pointerleave', onLeave);
    canvas.removeEventListener('wheel', onWheel);
    canvas.removeEventListener('contextmenu', prevent);
    canvas.removeEventListener('auxclick', prevent);
    window.removeEventListener('keydown', onKey);
  };
}
