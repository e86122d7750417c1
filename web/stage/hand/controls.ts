import {
  type Action,
  type Binding,
  bindingFor,
  bindingName,
  type FramePoint,
  type Gesture,
  type Modifier,
  type Pick,
  pivotFor,
  pivotRule,
  resolve,
  type Scheme,
  type Surroundings,
  type Trigger,
  whyNothing,
  zoomsOut,
} from '@core/input';
import type { Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import type { MoveGesture } from '@core/trace';
import type { Aids } from '../aids';
import { framePointIn, type Pane, paneAt, panesOf } from '../panes';
import type { Probes } from '../probing/probes';
import type { Session } from '../session';
import type { Sides } from '../sides';
import { between, type Grip, gripOf } from './fingers';
import { createHeldKeys, together } from './heldKeys';
import { modifiersOf } from './modifiers';

/** Wheel ticks and repeated keys belong together until this long a rest, ms. */
const REST = 400;
const CLICK_PIXELS = 4;
const DOUBLE_MS = 350;
/** A press as long as this shows the near hand, ms. */
const LONG_PRESS = 500;
/** A finger is less steady than a mouse. */
const TOUCH_PIXELS = 8;
const PIXELS_A_NOTCH = 100;
const LINES_A_NOTCH = 3;
const BUTTONS = ['left', 'middle', 'right'] as const;
/** Keys belong to these while they have the focus. */
const TAKES_KEYS =
  'input, textarea, select, [contenteditable], [role=slider], [role=dialog], [role=radio], [role=tab], [role=menu], [role=listbox], [role=combobox]';

/** A rectangle being drawn on the stage, and the word that stands at its corner. */
export interface DrawnRectangle {
  readonly from: FramePoint;
  readonly to: FramePoint;
  readonly word: string;
  readonly pane: Pane;
}

export interface ControlsOptions {
  readonly canvas: HTMLElement;
  readonly session: Session;
  readonly sides: Sides;
  readonly aids: Aids;
  readonly probes: Probes;
  readonly scheme: () => Scheme;
  readonly onRectangle: (rectangle: DrawnRectangle | null) => void;
  /** What is turned about, while it is turned about. */
  readonly onPivot: (point: Vec3 | null) => void;
  /** Where the pointer is in the free view; null elsewhere. */
  readonly onPointer: (at: FramePoint | null) => void;
  /** Where the near hand is open; null when it is not. */
  readonly onNearHand: (at: FramePoint | null) => void;
  /** Every whole gesture on the stage, bound or not, before it is resolved. */
  readonly onGesture?: (gesture: Gesture) => void;
}

/** Devices connected to a session, until `disconnect`. */
export interface Controls {
  /** A word of the near hand was pressed: what goes with the hand follows this pointer until it is let go, all else is done at once. */
  useWord(action: Action, event: { pointerId: number; clientX: number; clientY: number; pointerType: string } | null): void;
  closeNearHand(): void;
  disconnect(): void;
}

/** What a wheel or two fingers on a touchpad did since the last picture. */
interface Rolled {
  readonly kind: 'wheel' | 'scroll' | 'pinch';
  readonly notches: number;
  readonly du: number;
  readonly dv: number;
  readonly spread: number;
  readonly at: FramePoint;
  readonly pane: Pane;
  readonly modifiers: readonly Modifier[];
}

interface Drag {
  readonly pointer: number;
  readonly button: (typeof BUTTONS)[number];
  readonly modifiers: readonly Modifier[];
  readonly from: FramePoint;
  readonly x: number;
  readonly y: number;
  readonly pane: Pane;
  readonly pick: Pick | null;
  readonly id: number;
  readonly device: MoveGesture['device'];
  /** A scheme of one binding while a word of the near hand is used. */
  readonly using: Scheme | null;
  last: FramePoint;
  to: FramePoint;
  moved: boolean;
}

const RECTANGLES: Partial<Record<string, (drag: Drag) => string>> = {
  zoomRegion: (drag) => (zoomsOut(drag) ? 'zoom out' : 'zoom in'),
  boxTouching: () => 'touching',
  boxInside: () => 'wholly inside',
};

/** Connects pointer, wheel and keys to a session: device events become gestures, the scheme makes them commands. */
export function connectControls({
  canvas,
  session,
  sides,
  aids,
  probes,
  scheme,
  onRectangle,
  onPivot,
  onPointer,
  onNearHand,
  onGesture,
}: ControlsOptions): Controls {
  let drag: Drag | null = null;
  let hover: { at: FramePoint; pane: Pane } | null = null;
  let frame = 0;
  let wheel: Rolled | null = null;
  let touch: {
    readonly fingers: Map<number, FramePoint>;
    readonly pane: Pane;
    readonly pick: Pick | null;
    readonly id: number;
    readonly from: FramePoint;
    grip: Grip;
    moved: boolean;
  } | null = null;
  let near: { readonly at: FramePoint; readonly pane: Pane; readonly pick: Pick | null; readonly byKey: boolean } | null = null;
  let longPress: ReturnType<typeof setTimeout> | undefined;
  let pressedAt = 0;
  let wheelGroup: { id: number; at: number } | null = null;
  let keyGroup: { id: number; at: number; name: string; repeats: number } | null = null;
  let lastClick: { at: number; x: number; y: number } | null = null;
  let pivotKey = false;

  const placeOf = (event: { clientX: number; clientY: number }): { x: number; y: number } => {
    const box = canvas.getBoundingClientRect();
    return { x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height };
  };
  const hoverOf = (event: { clientX: number; clientY: number }): { at: FramePoint; pane: Pane } => {
    const { x, y } = placeOf(event);
    const { fourViews, maximised } = aids.getState();
    const pane = paneAt(panesOf(fourViews, maximised), x, y);
    return { at: framePointIn(pane, x, y), pane };
  };
  /** The scene as a pane shows it. */
  const sceneIn = (pane: Pane): Scene => {
    const { scene } = session.getState();
    return pane.name === 'free' ? scene : { ...scene, view: sides.getState()[pane.name] };
  };
  const pickAt = (place: { at: FramePoint; pane: Pane } | null): Pick | null => (place ? probes.pick(sceneIn(place.pane), place.at.u, place.at.v) : null);

  const surroundings = (scene: Scene): Surroundings => {
    const { standing, speed, floor } = aids.getState();
    const { heldPivot } = scheme().options;
    const override: Surroundings = pivotKey && heldPivot ? { pivot: heldPivot.pivot } : {};
    const rule = pivotRule(scheme(), override);
    return {
      ...override,
      ...(standing ? { standing, speed, onFloor: floor } : {}),
      ...(rule === 'selection' || rule === 'picked' ? { selectionCentre: probes.selectionCentre(scene) } : {}),
      ...(rule === 'visible' ? { visibleMiddle: seenMiddle(scene) } : {}),
      partsInBox: (rectangle, whole) => probes.partsInBox(scene, rectangle, whole),
    };
  };
  // Looked for once a drag: the middle of what is seen must not wander while one turns about it.
  let seen: { drag: number; point: Vec3 | null } | null = null;
  const seenMiddle = (scene: Scene): Vec3 | null => {
    const id = drag?.id ?? -1;
    if (seen?.drag !== id || id === -1) seen = { drag: id, point: probes.visibleMiddle(scene) };
    return seen.point;
  };

  const give = (commands: readonly Command[], pane: Pane, gesture: MoveGesture): void => {
    if (pane.name === 'free') session.perform(commands, gesture);
    else sides.perform(pane.name, commands);
  };

  const act = (gesture: Gesture, found: Pick | null, pane: Pane, id: number, device: MoveGesture['device'], using: Scheme | null = null): boolean => {
    const standing = using ? false : aids.getState().standing;
    if (!using && !standing && (!('done' in gesture) || gesture.done)) onGesture?.(gesture);
    const binding = bindingFor(using ?? scheme(), gesture, standing);
    if (!binding) return false;
    if (binding.command.kind === 'aid') {
      if (gesture.kind === 'wheel') aids.changeSpeed(gesture.notches);
      else aids.toggle(binding.command.does, found);
      return true;
    }
    const scene = sceneIn(pane);
    const now = surroundings(scene);
    const commands = resolve(using ?? scheme(), gesture, scene, found, using ? { ...now, standing: false } : now);
    const why = commands.length === 0 ? whyNothing(using ?? scheme(), gesture, standing) : null;
    if (why) session.say(why);
    else give(commands, pane, { id, device, binding: bindingName(binding) });
    return true;
  };

  const held = createHeldKeys((keys, id, binding) => {
    const { scene } = session.getState();
    const now = surroundings(scene);
    const commands = together(keys.flatMap(({ gesture }) => resolve(scheme(), gesture, scene, pickAt(hover), now)));
    const { standing, floor, walls } = aids.getState();
    session.perform(standing ? probes.walked(scene, commands, { onFloor: floor, walls }) : commands, { id, device: 'keyboard', binding });
  }, session.newGesture);

  const dragGesture = (d: Drag, done: boolean): Extract<Gesture, { kind: 'drag' }> => ({
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
    if (touch?.moved) flushTouch(false);
    if (drag?.moved) {
      const gesture = dragGesture(drag, false);
      const does = moveOf(bindingFor(drag.using ?? scheme(), gesture, drag.using ? false : aids.getState().standing));
      const word = does ? RECTANGLES[does] : undefined;
      if (word) onRectangle({ from: drag.from, to: drag.to, word: word(drag), pane: drag.pane });
      else act(gesture, drag.pick, drag.pane, drag.id, drag.device, drag.using);
      if (does === 'orbit' && drag.pane.name === 'free') {
        const { scene } = session.getState();
        onPivot(pivotFor(scheme(), scene, drag.pick, surroundings(scene)) ?? scene.view.target);
      }
      drag.last = drag.to;
    }
    if (wheel) {
      const { notches, du, dv, spread, at, pane, modifiers, kind } = wheel;
      wheel = null;
      const now = performance.now();
      if (!wheelGroup || now - wheelGroup.at > REST) wheelGroup = { id: session.newGesture(), at: now };
      wheelGroup.at = now;
      const found = pickAt({ at, pane });
      if (kind === 'wheel') act({ kind, modifiers, notches, at }, found, pane, wheelGroup.id, 'mouse');
      else if (kind === 'pinch') act({ kind, factor: spread, at }, found, pane, wheelGroup.id, 'touchpad');
      else act({ kind, modifiers, du, dv, at }, found, pane, wheelGroup.id, 'touchpad');
    }
  };
  const request = (): void => {
    if (!frame) frame = requestAnimationFrame(flush);
  };

  /** What the fingers did since the last picture. */
  const flushTouch = (done: boolean): void => {
    if (!touch) return;
    const grip = gripOf([...touch.fingers.values()]) ?? touch.grip;
    const last = touch.grip;
    const same = grip.count === last.count;
    const gesture: Gesture = {
      kind: 'touch',
      fingers: last.count,
      from: touch.from,
      last: last.middle,
      to: same ? grip.middle : last.middle,
      ...between(last, grip),
      done,
    };
    touch.grip = grip;
    act(gesture, touch.pick, touch.pane, touch.id, 'touch');
  };
  const feelsFingers = (): boolean => scheme().bindings.some((b) => b.trigger.kind === 'touch');

  const openNearHand = (place: { at: FramePoint; pane: Pane }, byKey: boolean): void => {
    if (!scheme().options.nearHand) return;
    near = { ...place, pick: pickAt(place), byKey };
    onNearHand(place.at);
  };
  const closeNearHand = (): void => {
    if (!near) return;
    near = null;
    onNearHand(null);
  };
  /** A press that stays where it is shows the near hand, for those who have no key at hand. */
  const waitForLongPress = (event: PointerEvent): void => {
    clearTimeout(longPress);
    pressedAt = event.timeStamp;
    if (event.pointerType === 'mouse' || !scheme().options.nearHand) return;
    const place = hoverOf(event);
    longPress = setTimeout(() => {
      if (touch?.moved || drag?.moved || (touch && touch.fingers.size > 1)) return;
      touch = null;
      endDrag();
      openNearHand(place, false);
    }, LONG_PRESS);
  };

  /** A press that was held long enough, on a machine too busy to have noticed meanwhile. */
  const wasLongPress = (event: PointerEvent): boolean =>
    event.pointerType !== 'mouse' && Boolean(scheme().options.nearHand) && event.timeStamp - pressedAt >= LONG_PRESS;

  const onFinger = (event: PointerEvent): void => {
    event.preventDefault();
    canvas.setPointerCapture(event.pointerId);
    const place = hoverOf(event);
    if (!touch) {
      const grip = gripOf([place.at]) as Grip;
      touch = {
        fingers: new Map([[event.pointerId, place.at]]),
        pane: place.pane,
        pick: pickAt(place),
        id: session.newGesture(),
        from: place.at,
        grip,
        moved: false,
      };
      waitForLongPress(event);
      return;
    }
    if (touch.moved) flushTouch(false);
    clearTimeout(longPress);
    const { x, y } = placeOf(event);
    touch.fingers.set(event.pointerId, framePointIn(touch.pane, x, y));
    touch.grip = gripOf([...touch.fingers.values()]) ?? touch.grip;
  };
  const onFingerMove = (event: PointerEvent): void => {
    if (!touch?.fingers.has(event.pointerId)) return;
    const { x, y } = placeOf(event);
    const at = framePointIn(touch.pane, x, y);
    touch.fingers.set(event.pointerId, at);
    const { height } = canvas.getBoundingClientRect();
    if (!touch.moved && (touch.fingers.size > 1 || Math.hypot(at.u - touch.from.u, at.v - touch.from.v) * height >= TOUCH_PIXELS)) touch.moved = true;
    if (touch.moved) {
      clearTimeout(longPress);
      request();
    }
  };
  const onFingerUp = (event: PointerEvent): void => {
    clearTimeout(longPress);
    if (!touch?.fingers.has(event.pointerId)) return;
    if (touch.moved) flushTouch(touch.fingers.size === 1);
    touch.fingers.delete(event.pointerId);
    if (touch.fingers.size > 0) {
      touch.grip = gripOf([...touch.fingers.values()]) ?? touch.grip;
      return;
    }
    const ended = touch;
    touch = null;
    if (ended.moved) return;
    if (wasLongPress(event)) openNearHand({ at: ended.from, pane: ended.pane }, false);
    else clicked(event, ended.from, ended.pane, ended.pick, ended.id, 'left', [], 'touch');
  };

  const clicked = (
    event: { clientX: number; clientY: number },
    at: FramePoint,
    pane: Pane,
    found: Pick | null,
    id: number,
    button: (typeof BUTTONS)[number],
    modifiers: readonly Modifier[],
    device: MoveGesture['device'],
  ): void => {
    const now = performance.now();
    const twice = lastClick && now - lastClick.at < DOUBLE_MS && Math.hypot(event.clientX - lastClick.x, event.clientY - lastClick.y) < 2 * CLICK_PIXELS;
    lastClick = twice ? null : { at: now, x: event.clientX, y: event.clientY };
    act({ kind: 'click', button, count: twice ? 2 : 1, modifiers, at }, found, pane, id, device);
  };

  const onDown = (event: PointerEvent): void => {
    canvas.focus({ preventScroll: true });
    closeNearHand();
    if (event.pointerType === 'touch' && feelsFingers()) {
      onFinger(event);
      return;
    }
    if (drag) {
      // A second button takes the gesture back.
      if (event.pointerId === drag.pointer) cancel();
      return;
    }
    if (event.button > 2) return;
    event.preventDefault();
    canvas.setPointerCapture(event.pointerId);
    const place = hoverOf(event);
    drag = {
      pointer: event.pointerId,
      button: BUTTONS[event.button as 0 | 1 | 2],
      modifiers: modifiersOf(event),
      from: place.at,
      last: place.at,
      to: place.at,
      pane: place.pane,
      x: event.clientX,
      y: event.clientY,
      pick: pickAt(place),
      id: session.newGesture(),
      device: event.pointerType === 'pen' ? 'pen' : event.pointerType === 'touch' ? 'touch' : 'mouse',
      using: null,
      moved: false,
    };
    waitForLongPress(event);
  };

  const onMove = (event: PointerEvent): void => {
    if (touch) {
      onFingerMove(event);
      return;
    }
    hover = hoverOf(event);
    onPointer(hover.pane.name === 'free' ? hover.at : null);
    if (!drag || event.pointerId !== drag.pointer) return;
    // Another button that goes down while one is held comes as a move.
    if (event.buttons !== undefined && (event.buttons & (event.buttons - 1)) !== 0) {
      cancel();
      return;
    }
    const { x, y } = placeOf(event);
    drag.to = framePointIn(drag.pane, x, y);
    if (!drag.moved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) >= CLICK_PIXELS) drag.moved = true;
    if (drag.moved) {
      clearTimeout(longPress);
      request();
    }
  };

  const endDrag = (): void => {
    drag = null;
    onRectangle(null);
    onPivot(null);
  };

  const onUp = (event: PointerEvent): void => {
    clearTimeout(longPress);
    if (touch) {
      onFingerUp(event);
      return;
    }
    if (!drag || event.pointerId !== drag.pointer) return;
    const ended = drag;
    const { x, y } = placeOf(event);
    ended.to = framePointIn(ended.pane, x, y);
    if (ended.moved) {
      cancelAnimationFrame(frame);
      frame = 0;
      act(dragGesture(ended, true), ended.pick, ended.pane, ended.id, ended.device, ended.using);
      if (wheel) request();
    } else if (!ended.using && wasLongPress(event)) openNearHand({ at: ended.from, pane: ended.pane }, false);
    else if (!ended.using) clicked(event, ended.from, ended.pane, ended.pick, ended.id, ended.button, ended.modifiers, ended.device);
    endDrag();
  };

  const cancel = (): void => {
    clearTimeout(longPress);
    touch = null;
    if (!drag) return;
    cancelAnimationFrame(frame);
    frame = 0;
    // A drag that has given nothing yet leaves nothing to take back.
    if (session.moves.at(-1)?.gesture?.id === drag.id) session.perform([{ kind: 'cancel' }], { id: drag.id, device: drag.device, binding: 'Esc' });
    endDrag();
  };

  const onWheel = (event: WheelEvent): void => {
    event.preventDefault();
    const notches = -event.deltaY / (event.deltaMode === WheelEvent.DOM_DELTA_LINE ? LINES_A_NOTCH : PIXELS_A_NOTCH);
    // A pinch on a touchpad comes as a wheel with the control key that nobody holds.
    const modifiers = modifiersOf(event).filter((m) => m !== 'ctrl');
    const bound = (kind: 'scroll' | 'pinch'): boolean => scheme().bindings.some((b) => b.trigger.kind === kind);
    const kind = event.ctrlKey && bound('pinch') ? 'pinch' : bound('scroll') ? 'scroll' : 'wheel';
    const before = wheel?.kind === kind ? wheel : null;
    const { height } = canvas.getBoundingClientRect();
    wheel = {
      kind,
      ...hoverOf(event),
      modifiers,
      notches: (before?.notches ?? 0) + notches,
      // What lies under the fingers goes with them.
      du: (before?.du ?? 0) - event.deltaX / height,
      dv: (before?.dv ?? 0) + event.deltaY / height,
      spread: (before?.spread ?? 1) * Math.exp(-event.deltaY / PIXELS_A_NOTCH),
    };
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
    if (drag && event.code === scheme().options.heldPivot?.code) {
      event.preventDefault();
      pivotKey = true;
      request();
      return;
    }
    if (event.code === scheme().options.nearHand?.code && !event.repeat && !drag) {
      event.preventDefault();
      openNearHand(hover ?? { at: { u: 0, v: 0 }, pane: FREE }, true);
      return;
    }
    if (event.code === 'Escape') closeNearHand();
    const at = hover?.at ?? null;
    const modifiers = modifiersOf(event);
    const { standing } = aids.getState();
    const steady: Gesture = { kind: 'held', code: event.code, modifiers, dt: 0, at };
    const walks = bindingFor(scheme(), steady, standing);
    if (walks) {
      event.preventDefault();
      held.down(event.code, { binding: walks, gesture: steady });
      return;
    }
    const binding = bindingFor(scheme(), { kind: 'key', code: event.code, modifiers, at }, standing);
    if (!binding) {
      if (!event.repeat) onGesture?.({ kind: 'key', code: event.code, modifiers, at });
      return;
    }
    event.preventDefault();
    // An aid is turned on once, however long its key is held.
    if (event.repeat && binding.command.kind === 'aid') return;
    const now = performance.now();
    const name = bindingName(binding);
    if (!keyGroup || keyGroup.name !== name || now - keyGroup.at > REST) keyGroup = { id: session.newGesture(), at: now, name, repeats: 0 };
    keyGroup.at = now;
    keyGroup.repeats = event.repeat ? keyGroup.repeats + 1 : 0;
    // Keys mean the free view, but for fitting: that is done where the pointer is.
    const pane = hover && (needsPlace(binding) || isFit(binding)) ? hover.pane : FREE;
    act({ kind: 'key', code: event.code, modifiers, at, repeats: keyGroup.repeats }, pickAt(hover), pane, keyGroup.id, 'keyboard');
  };
  const onKeyUp = (event: KeyboardEvent): void => {
    held.up(event.code);
    if (near?.byKey && event.code === scheme().options.nearHand?.code) closeNearHand();
    if (pivotKey && event.code === scheme().options.heldPivot?.code) {
      pivotKey = false;
      request();
    }
  };
  const letGo = (): void => {
    held.release();
    pivotKey = false;
  };

  /** A finger that leaves without a word is lifted. */
  const onLost = (event: PointerEvent): void => {
    if (touch?.fingers.has(event.pointerId)) onFingerUp(event);
  };
  const onLeave = (): void => {
    if (drag) return;
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
    ['keydown', onKey],
    ['keyup', onKeyUp],
    ['blur', letGo],
  ];
  for (const [kind, listener] of onCanvas) canvas.addEventListener(kind, listener as EventListener);
  for (const [kind, listener] of onWindow) window.addEventListener(kind, listener as EventListener);
  canvas.addEventListener('wheel', onWheel, { passive: false });
  return {
    closeNearHand,
    useWord(action, event) {
      if (!near) return;
      const { at, pane, pick } = near;
      closeNearHand();
      const id = session.newGesture();
      if (action.kind === 'move' && event) {
        canvas.setPointerCapture(event.pointerId);
        const place = hoverOf(event);
        drag = {
          pointer: event.pointerId,
          button: 'left',
          modifiers: [],
          from: place.at,
          last: place.at,
          to: place.at,
          pane,
          x: event.clientX,
          y: event.clientY,
          pick,
          id,
          device: event.pointerType === 'touch' ? 'touch' : event.pointerType === 'pen' ? 'pen' : 'mouse',
          using: only(scheme(), action, { kind: 'drag', button: 'left' }),
          moved: false,
        };
        return;
      }
      act({ kind: 'key', code: 'NearHand', modifiers: [], at }, pick, pane, id, 'interface', only(scheme(), action, { kind: 'key', code: 'NearHand' }));
    },
    disconnect() {
      cancelAnimationFrame(frame);
      clearTimeout(longPress);
      held.release();
      for (const [kind, listener] of onCanvas) canvas.removeEventListener(kind, listener as EventListener);
      for (const [kind, listener] of onWindow) window.removeEventListener(kind, listener as EventListener);
      canvas.removeEventListener('wheel', onWheel);
    },
  };
}

/** A scheme that knows one word of the near hand and nothing else. */
const only = (scheme: Scheme, command: Action, trigger: Trigger): Scheme => ({ ...scheme, bindings: [{ context: 'stage', trigger, modifiers: [], command }] });

const FREE: Pane = { name: 'free', x: 0, y: 0, size: 1 };
const moveOf = (binding: Binding | null): string | null => (binding?.command.kind === 'move' ? binding.command.does : null);
const needsPlace = (binding: Binding): boolean => binding.command.kind === 'atPointer';
const isFit = (binding: Binding): boolean => binding.command.kind === 'command' && binding.command.command.kind === 'fit';
