import type { Modifier, Scheme } from '@core/input';
import type { Recorder } from '../recorder';
import type { GestureDispatch } from './gestureDispatch';
import { modifiersOf } from './modifiers';
import type { Place, PointerPlaces } from './pointerPlaces';

/** Wheel ticks belong together until this long a rest, ms. */
const REST = 400;
const PIXELS_A_NOTCH = 100;
const LINES_A_NOTCH = 3;

/** What a wheel or two fingers on a touchpad did since the last picture. */
interface Rolled extends Place {
  readonly kind: 'wheel' | 'scroll' | 'pinch';
  readonly notches: number;
  readonly du: number;
  readonly dv: number;
  readonly spread: number;
  readonly modifiers: readonly Modifier[];
}

export interface WheelsOptions {
  readonly session: Recorder;
  readonly places: PointerPlaces;
  readonly dispatch: GestureDispatch;
  readonly scheme: () => Scheme;
  readonly request: () => void;
}

/** The wheel of a mouse, and two fingers on a touchpad as browsers tell of them. */
export interface Wheels {
  roll(event: WheelEvent): void;
  flush(): void;
  waiting(): boolean;
}

export function createWheels({ session, places, dispatch, scheme, request }: WheelsOptions): Wheels {
  let rolled: Rolled | null = null;
  let group: { id: number; at: number } | null = null;
  return {
    waiting: () => rolled !== null,
    roll(event) {
      event.preventDefault();
      const notches = -event.deltaY / (event.deltaMode === WheelEvent.DOM_DELTA_LINE ? LINES_A_NOTCH : PIXELS_A_NOTCH);
      const bound = (kind: 'scroll' | 'pinch'): boolean => scheme().bindings.some((b) => b.trigger.kind === kind);
      // A pinch on a touchpad comes as a wheel with the control key that nobody holds.
      const kind = event.ctrlKey && bound('pinch') ? 'pinch' : bound('scroll') ? 'scroll' : 'wheel';
      const before = rolled?.kind === kind ? rolled : null;
      const height = places.height();
      rolled = {
        kind,
        ...places.of(event),
        modifiers: modifiersOf(event).filter((m) => m !== 'ctrl'),
        notches: (before?.notches ?? 0) + notches,
        // What lies under the fingers goes with them.
        du: (before?.du ?? 0) - event.deltaX / height,
        dv: (before?.dv ?? 0) + event.deltaY / height,
        spread: (before?.spread ?? 1) * Math.exp(-event.deltaY / PIXELS_A_NOTCH),
      };
      request();
    },
    flush() {
      if (!rolled) return;
      const { kind, notches, du, dv, spread, at, pane, modifiers } = rolled;
      rolled = null;
      const now = performance.now();
      if (!group || now - group.at > REST) group = { id: session.newGesture(), at: now };
      group.at = now;
      const context = { pane, pick: dispatch.pickAt({ at, pane }), id: group.id, device: kind === 'wheel' ? 'mouse' : 'touchpad' } as const;
      if (kind === 'wheel') dispatch.dispatch({ kind, modifiers, notches, at }, context);
      else if (kind === 'pinch') dispatch.dispatch({ kind, factor: spread, at }, context);
      else dispatch.dispatch({ kind, modifiers, du, dv, at }, context);
    },
  };
}
