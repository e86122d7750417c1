import {
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
  whyNothing,
  zoomsOut,
} from '@core/input';
import type { Vec3 } from '@core/math';
import type { Command, Scene } from '@core/navigation';
import type { MoveGesture } from '@core/trace';
import type { Aids } from './aids';
import { createHeldKeys, together } from './heldKeys';
import { framePointIn, type Pane, paneAt, panesOf } from './panes';
import type { Probes } from './probes';
import type { Session } from './session';
import type { Sides } from './sides';

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
  last: FramePoint;
  to: FramePoint;
  moved: boolean;
}

const modifiersOf = (event: { shiftKey: boolean; ctrlKey: boolean; altKey: boolean }): Modifier[] => [
  ...(event.shiftKey ? (['shift'] as const) : []),
  ...(event.ctrlKey ? (['ctrl'] as const) : []),
  ...(event.altKey ? (['alt'] as const) : []),
];

const RECTANGLES: Partial<Record<string, (drag: Drag) => string>> = {
  zoomRegion: (drag) => (zoomsOut(drag) ? 'zoom out' : 'zoom in'),
  boxTouching: () => 'touching',
  boxInside: () => 'wholly inside',
};

/** Connects pointer, wheel and keys to a session: device events become gestures, the scheme makes them commands. */
export function connectControls({ canvas, session, sides, aids, probes, scheme, onRectangle, onPivot, onPointer }: ControlsOptions): () => void {
  let drag: Drag | null = null;
  let hover: { at: FramePoint; pane: Pane } | null = null;
  let frame = 0;
  let wheel: { notches: number; at: FramePoint; pane: Pane; modifiers: Modifier[] } | null = null;
  let wheelGroup: { id: number; at: number } | null = null;
  let keyGroup: { id: number; at: number; name: string } | null = null;
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

  const act = (gesture: Gesture, found: Pick | null, pane: Pane, id: number, device: MoveGesture['device']): boolean => {
    const { standing } = aids.getState();
    const binding = bindingFor(scheme(), gesture, standing);
    if (!binding) return false;
    if (binding.command.kind === 'aid') {
      if (gesture.kind === 'wheel') aids.changeSpeed(gesture.notches);
      else aids.toggle(binding.command.does, found);
      return true;
    }
    const scene = sceneIn(pane);
    const commands = resolve(scheme(), gesture, scene, found, surroundings(scene));
    const why = commands.length === 0 ? whyNothing(scheme(), gesture, standing) : null;
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
    if (drag?.moved) {
      const gesture = dragGesture(drag, false);
      const does = moveOf(bindingFor(scheme(), gesture, aids.getState().standing));
      const word = does ? RECTANGLES[does] : undefined;
      if (word) onRectangle({ from: drag.from, to: drag.to, word: word(drag), pane: drag.pane });
      else act(gesture, drag.pick, drag.pane, drag.id, drag.device);
      if (does === 'orbit' && drag.pane.name === 'free') {
        const { scene } = session.getState();
        onPivot(pivotFor(scheme(), scene, drag.pick, surroundings(scene)) ?? scene.view.target);
      }
      drag.last = drag.to;
    }
    if (wheel) {
      const { notches, at, pane, modifiers } = wheel;
      wheel = null;
      const now = performance.now();
      if (!wheelGroup || now - wheelGroup.at > REST) wheelGroup = { id: session.newGesture(), at: now };
      wheelGroup.at = now;
      act({ kind: 'wheel', modifiers, notches, at }, pickAt({ at, pane }), pane, wheelGroup.id, 'mouse');
    }
  };
  const request = (): void => {
    if (!frame) frame = requestAnimationFrame(flush);
  };

  const onDown = (event: PointerEvent): void => {
    canvas.focus({ preventScroll: true });
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
      moved: false,
    };
  };

  const onMove = (event: PointerEvent): void => {
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
    if (drag.moved) request();
  };

  const endDrag = (): void => {
    drag = null;
    onRectangle(null);
    onPivot(null);
  };

  const onUp = (event: PointerEvent): void => {
    if (!drag || event.pointerId !== drag.pointer) return;
    const ended = drag;
    const { x, y } = placeOf(event);
    ended.to = framePointIn(ended.pane, x, y);
    if (ended.moved) {
      cancelAnimationFrame(frame);
      frame = 0;
      act(dragGesture(ended, true), ended.pick, ended.pane, ended.id, ended.device);
      if (wheel) request();
    } else {
      const now = performance.now();
      const twice = lastClick && now - lastClick.at < DOUBLE_MS && Math.hypot(event.clientX - lastClick.x, event.clientY - lastClick.y) < 2 * CLICK_PIXELS;
      lastClick = twice ? null : { at: now, x: event.clientX, y: event.clientY };
      const click: Gesture = { kind: 'click', button: ended.button, count: twice ? 2 : 1, modifiers: ended.modifiers, at: ended.from };
      act(click, ended.pick, ended.pane, ended.id, ended.device);
    }
    endDrag();
  };

  const cancel = (): void => {
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
    wheel = { notches: (wheel?.notches ?? 0) + notches, ...hoverOf(event), modifiers };
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
    const gesture: Gesture = { kind: 'key', code: event.code, modifiers, at };
    const binding = bindingFor(scheme(), gesture, standing);
    if (!binding) return;
    event.preventDefault();
    // An aid is turned on once, however long its key is held.
    if (event.repeat && binding.command.kind === 'aid') return;
    const now = performance.now();
    const name = bindingName(binding);
    if (!keyGroup || keyGroup.name !== name || now - keyGroup.at > REST) keyGroup = { id: session.newGesture(), at: now, name };
    keyGroup.at = now;
    // Keys mean the free view, but for fitting: that is done where the pointer is.
    const pane = hover && (needsPlace(binding) || isFit(binding)) ? hover.pane : FREE;
    act(gesture, pickAt(hover), pane, keyGroup.id, 'keyboard');
  };
  const onKeyUp = (event: KeyboardEvent): void => {
    held.up(event.code);
    if (pivotKey && event.code === scheme().options.heldPivot?.code) {
      pivotKey = false;
      request();
    }
  };
  const letGo = (): void => {
    held.release();
    pivotKey = false;
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
  return () => {
    cancelAnimationFrame(frame);
    held.release();
    for (const [kind, listener] of onCanvas) canvas.removeEventListener(kind, listener as EventListener);
    for (const [kind, listener] of onWindow) window.removeEventListener(kind, listener as EventListener);
    canvas.removeEventListener('wheel', onWheel);
  };
}

const FREE: Pane = { name: 'free', x: 0, y: 0, size: 1 };
const moveOf = (binding: Binding | null): string | null => (binding?.command.kind === 'move' ? binding.command.does : null);
const needsPlace = (binding: Binding): boolean => binding.command.kind === 'atPointer';
const isFit = (binding: Binding): boolean => binding.command.kind === 'command' && binding.command.command.kind === 'fit';
