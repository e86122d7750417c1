import { type Binding, bindingName, type Gesture, type Scheme } from '@core/input';
import type { Frames } from '../frames';
import { FREE } from '../panes';
import type { Recorder } from '../recorder';
import type { GestureDispatch } from './gestureDispatch';
import { createHeldKeys } from './heldKeys';
import { modifiersOf } from './modifiers';
import type { NearHandState } from './nearHandState';
import type { Place } from './pointerPlaces';

/** Repeats of a key belong together until this long a rest, ms. */
const REST = 400;
/** Keys belong to these while they have the focus. */
const TAKES_KEYS = 'input, textarea, select, [contenteditable], [role=slider], [role=radio], [role=tab], [role=menu], [role=listbox], [role=combobox]';

export interface KeysOptions {
  readonly canvas: HTMLElement;
  readonly session: Recorder;
  readonly dispatch: GestureDispatch;
  readonly scheme: () => Scheme;
  readonly nearHand: NearHandState;
  /** Where the pointer is, if it is over the stage. */
  readonly hover: () => Place | null;
  readonly dragging: () => boolean;
  /** Takes the running drag back. */
  readonly cancel: () => void;
  readonly request: () => void;
  readonly frames: Frames;
  readonly onGesture?: ((gesture: Gesture) => void) | undefined;
  readonly onAnswered?: ((binding: null) => void) | undefined;
}

/** The keyboard: keys that are pressed, that repeat, and that do something while they are held. */
export interface Keys {
  down(event: KeyboardEvent): void;
  up(event: KeyboardEvent): void;
  /** Lets all go, as when the page loses the keyboard. */
  release(): void;
}

const needsPlace = (binding: Binding): boolean => binding.command.kind === 'atPointer';
const isFit = (binding: Binding): boolean => binding.command.kind === 'command' && binding.command.command.kind === 'fit';
/** Whether a dialog has the keys: where several lie over each other, the last. A stage in it has them with it. */
function isBehind(canvas: HTMLElement, { target }: KeyboardEvent): boolean {
  const over = [...document.querySelectorAll('[role=dialog][data-state=open]')].at(-1) ?? (target instanceof Element && target.closest('[role=dialog]'));
  return Boolean(over && !over.contains(canvas));
}
/** Keys that are someone else's just now. */
const elsewhere = (event: KeyboardEvent, canvas: HTMLElement): boolean =>
  event.metaKey || event.defaultPrevented || (event.target instanceof Element && Boolean(event.target.closest(TAKES_KEYS))) || isBehind(canvas, event);

export function createKeys({
  canvas,
  session,
  dispatch,
  scheme,
  nearHand,
  hover,
  dragging,
  cancel,
  request,
  frames,
  onGesture,
  onAnswered,
}: KeysOptions): Keys {
  let group: { id: number; at: number; name: string; repeats: number } | null = null;
  let pivotDown = false;
  const held = createHeldKeys((keys, id, names, at) => dispatch.hold(keys, hover(), id, names, at), session.newGesture, frames);
  const pivotKey = (down: boolean): void => {
    pivotDown = down;
    dispatch.holdPivot(down);
  };

  /** Keys that mean something to the drag that is under way, or to the near hand. */
  const besideGestures = (event: KeyboardEvent): boolean => {
    const { heldPivot, nearHand: words } = scheme().options;
    if (event.code === 'Escape' && dragging()) {
      cancel();
      return true;
    }
    if (dragging() && event.code === heldPivot?.code) {
      event.preventDefault();
      pivotKey(true);
      request();
      return true;
    }
    if (event.code === words?.code && !event.repeat && !dragging()) {
      event.preventDefault();
      nearHand.open(hover() ?? { at: { u: 0, v: 0 }, pane: FREE }, true);
      return true;
    }
    if (event.code === 'Escape') nearHand.close();
    return false;
  };

  return {
    down(event) {
      if (elsewhere(event, canvas) || besideGestures(event)) return;
      const place = hover();
      const at = place?.at ?? null;
      const modifiers = modifiersOf(event);
      const steady = { kind: 'held', code: event.code, modifiers, dt: 0, at } as const;
      const lasting = dispatch.bindingFor(steady);
      if (lasting) {
        event.preventDefault();
        held.down(event.code, { binding: lasting, gesture: steady }, event.timeStamp);
        return;
      }
      const pressed = { kind: 'key', code: event.code, modifiers, at } as const;
      const binding = dispatch.bindingFor(pressed);
      if (!binding) {
        if (!event.repeat) onGesture?.(pressed);
        onAnswered?.(null);
        return;
      }
      event.preventDefault();
      // An aid is turned on once, however long its key is held.
      if (event.repeat && binding.command.kind === 'aid') return;
      const now = performance.now();
      const name = bindingName(binding);
      if (!group || group.name !== name || now - group.at > REST) group = { id: session.newGesture(), at: now, name, repeats: 0 };
      group.at = now;
      group.repeats = event.repeat ? group.repeats + 1 : 0;
      // Keys mean the free view, but for fitting: that is done where the pointer is.
      const pane = place && (needsPlace(binding) || isFit(binding)) ? place.pane : FREE;
      dispatch.dispatch({ ...pressed, repeats: group.repeats }, { pane, pick: dispatch.pickAt(place), id: group.id, device: 'keyboard' });
    },
    up(event) {
      held.up(event.code, event.timeStamp);
      if (event.code === scheme().options.nearHand?.code) nearHand.letGo();
      if (pivotDown && event.code === scheme().options.heldPivot?.code) {
        pivotKey(false);
        request();
      }
    },
    release() {
      held.release();
      pivotKey(false);
    },
  };
}
