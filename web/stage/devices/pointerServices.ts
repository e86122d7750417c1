import type { Recorder } from '../recorder';
import type { Clicks } from './clicks';
import type { GestureDispatch } from './gestureDispatch';
import type { NearHandState } from './nearHandState';
import type { PointerPlaces } from './pointerPlaces';

/** What presses of every kind share: where they are, what comes of them, and what else a press can become. */
export interface PointerServices {
  readonly canvas: HTMLElement;
  readonly session: Recorder;
  readonly places: PointerPlaces;
  readonly dispatch: GestureDispatch;
  readonly clicked: Clicks;
  readonly nearHand: NearHandState;
  /** Asks for a flush with the next drawn picture. */
  readonly request: () => void;
}
