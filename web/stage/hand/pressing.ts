import type { Session } from '../session';
import type { Acting } from './acting';
import type { Clicks } from './clicks';
import type { NearHandState } from './nearHandState';
import type { Places } from './places';

/** What presses of every kind share: where they are, what comes of them, and what else a press can become. */
export interface Pressing {
  readonly canvas: HTMLElement;
  readonly session: Session;
  readonly places: Places;
  readonly acting: Acting;
  readonly clicked: Clicks;
  readonly nearHand: NearHandState;
  /** Asks for a flush with the next drawn picture. */
  readonly request: () => void;
}
