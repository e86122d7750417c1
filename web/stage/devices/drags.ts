import { type Action, type Binding, type FramePoint, type Gesture, type Modifier, POINTER_BUTTONS, type PointerButton, zoomsOut } from '@core/input';
import type { Vec3 } from '@core/math';
import type { MoveGesture } from '@core/trace';
import type { Pane } from '../panes';
import { CLICK_PIXELS } from './clicks';
import type { GestureContext } from './gestureDispatch';
import { modifiersOf } from './modifiers';
import type { PointerServices } from './pointerServices';

/** A rectangle being drawn on the stage, and the word that stands at its corner. */
export interface DrawnRectangle {
  readonly from: FramePoint;
  readonly to: FramePoint;
  readonly word: string;
  readonly pane: Pane;
}

interface Drag extends GestureContext {
  readonly pointer: number;
  readonly button: PointerButton;
  readonly modifiers: readonly Modifier[];
  readonly from: FramePoint;
  readonly x: number;
  readonly y: number;
  last: FramePoint;
  to: FramePoint;
  moved: boolean;
}

export interface DragsOptions extends PointerServices {
  readonly onRectangle: (rectangle: DrawnRectangle | null) => void;
  /** What is turned about, while it is turned about. */
  readonly onPivot: (point: Vec3 | null) => void;
}

/** A press of the near hand's word: enough of an event to follow the pointer from it. */
export interface WordPress {
  readonly pointerId: number;
  readonly clientX: number;
  readonly clientY: number;
  readonly pointerType: string;
}

/** A pointer with a button down: a mouse, a pen, or a finger where the scheme knows no fingers. */
export interface Drags {
  running(): boolean;
  /** Whether the running drag follows this pointer. */
  follows(event: PointerEvent): boolean;
  down(event: PointerEvent): void;
  move(event: PointerEvent): void;
  /** True when the drag has moved, and was told whole. */
  up(event: PointerEvent): boolean;
  /** Does what has gathered since the last picture. */
  flush(): void;
  /** Takes back what the running drag did; false when none runs. */
  cancel(): boolean;
  /** Follows the pointer with one word of the near hand. */
  follow(event: WordPress, context: Pick<GestureContext, 'pane' | 'pick' | 'id'>, using: Binding): void;
}

const RECTANGLES: Partial<Record<string, (drag: Drag) => string>> = {
  zoomRegion: (drag) => (zoomsOut(drag) ? 'zoom out' : 'zoom in'),
  boxTouching: () => 'touching',
  boxInside: () => 'wholly inside',
};
type Move = Extract<Action, { kind: 'move' }>['does'];
const moveOf = (binding: Binding | null): Move | null => (binding?.command.kind === 'move' ? binding.command.does : null);
const deviceOf = (event: Pick<PointerEvent, 'pointerType'>): MoveGesture['device'] =>
  event.pointerType === 'pen' ? 'pen' : event.pointerType === 'touch' ? 'touch' : 'mouse';

const gestureOf = ({ button, modifiers, from, last, to }: Drag, done: boolean): Extract<Gesture, { kind: 'drag' }> => ({
  kind: 'drag',
  button,
  modifiers,
  from,
  last,
  to,
  done,
});

export function createDrags({ canvas, session, places, dispatch, clicked, nearHand, request, onRectangle, onPivot }: DragsOptions): Drags {
  let drag: Drag | null = null;
  const end = (): void => {
    drag = null;
    onRectangle(null);
    onPivot(null);
  };
  const begin = (event: WordPress, context: GestureContext, button: PointerButton, modifiers: readonly Modifier[], from: FramePoint): void => {
    canvas.setPointerCapture(event.pointerId);
    drag = { ...context, pointer: event.pointerId, button, modifiers, from, last: from, to: from, x: event.clientX, y: event.clientY, moved: false };
  };
  const cancel = (): boolean => {
    if (!drag) return false;
    // A drag that has given nothing yet leaves nothing to take back.
    if (session.moves.at(-1)?.gesture?.id === drag.id) session.perform([{ kind: 'cancel' }], { id: drag.id, device: drag.device, binding: 'Esc' });
    end();
    return true;
  };
  return {
    running: () => drag !== null,
    follows: (event) => drag?.pointer === event.pointerId,
    cancel,
    down(event) {
      if (event.button > 2) return;
      event.preventDefault();
      const place = places.of(event);
      const context = { pane: place.pane, pick: dispatch.pickAt(place), id: session.newGesture(), device: deviceOf(event) };
      begin(event, context, POINTER_BUTTONS[event.button as 0 | 1 | 2], modifiersOf(event), place.at);
      nearHand.waitFor(event, place, () => {
        if (drag?.moved) return false;
        end();
        return true;
      });
    },
    move(event) {
      if (!drag || event.pointerId !== drag.pointer) return;
      drag.to = places.within(drag.pane, event);
      if (!drag.moved && Math.hypot(event.clientX - drag.x, event.clientY - drag.y) >= CLICK_PIXELS) drag.moved = true;
      if (!drag.moved) return;
      nearHand.stopWaiting();
      request();
    },
    up(event) {
      nearHand.stopWaiting();
      if (!drag || event.pointerId !== drag.pointer) return false;
      const ended = drag;
      ended.to = places.within(ended.pane, event);
      if (ended.moved) dispatch.dispatch(gestureOf(ended, true), ended);
      else if (!ended.using && nearHand.wasLong(event)) nearHand.open({ at: ended.from, pane: ended.pane }, false);
      else if (!ended.using) clicked(event, ended.from, ended.button, ended.modifiers, ended);
      end();
      return ended.moved;
    },
    flush() {
      if (!drag?.moved) return;
      const gesture = gestureOf(drag, false);
      const binding = dispatch.bindingFor(gesture, drag.using);
      const does = moveOf(binding);
      const word = does ? RECTANGLES[does] : undefined;
      if (word) onRectangle({ from: drag.from, to: drag.to, word: word(drag), pane: drag.pane });
      else dispatch.dispatch(gesture, drag, binding);
      if (does === 'orbit' && drag.pane.name === 'free') onPivot(dispatch.pivotOf(drag));
      drag.last = drag.to;
    },
    follow(event, context, using) {
      begin(event, { ...context, device: deviceOf(event as PointerEvent), using }, 'left', [], places.of(event).at);
    },
  };
}
