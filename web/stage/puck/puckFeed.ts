import { type Binding, bindingFor, bindingName, type Gesture, meanStroke, resolve, type Scheme, type SixAxes, type TimedStroke } from '@core/input';
import { browserFrames, type Frames } from '../frames';
import type { Recorder } from '../recorder';

/** Who hears what a 3D mouse does, real or simulated. */
export interface PuckListener {
  /** Strokes held for another `dt` seconds, up to the moment `at`, ms on the page's clock. */
  axes(axes: SixAxes, dt: number, at: number): void;
  button(button: number): void;
  /** The cap came to rest. */
  rest(): void;
}

export interface PuckFeed {
  /** Strokes that hold from `at` on, ms on the page's clock; left out: from now. */
  axes(values: readonly number[], at?: number): void;
  button(button: number): void;
  /** Until it is told null, time goes on only as far as this clock says, ms: that of a script whose reports come late on a busy machine. */
  follow(clock: (() => number) | null): void;
  dispose(): void;
}

/**
 * Movement is taken in pieces of this length, seconds, whenever pictures are drawn: the same reports give the same commands
 * on every machine.
 */
const PIECE = 1 / 60;
/** A device that was not heard for longer than this was no movement of the hand: the page slept, s. */
const SLEPT = 1;
const atRest = (axes: readonly number[]): boolean => axes.every((a) => a === 0);

/** From the first stroke to rest. Its times are whole microseconds from its begin: no clock's origin is left in them. */
interface Movement {
  /** Ms on the page's clock. */
  readonly origin: number;
  reports: TimedStroke[];
  /** When the cap came to rest, seconds from the begin; null while it is moved. */
  end: number | null;
  /** Up to when it was told. */
  told: number;
}

const since = ({ origin }: Movement, at: number): number => Math.round((at - origin) * 1000) / 1e6;

/** Turns reports that come at a device's own rate into strokes in pieces of even length: what is told adds up to what was reported. */
export function createPuckFeed(listener: () => PuckListener, frames: Frames = browserFrames): PuckFeed {
  const movements: Movement[] = [];
  let forget: (() => void) | null = null;
  let clock: (() => number) | null = null;

  const tell = (movement: Movement, to: number): void => {
    const axes = meanStroke(movement.reports, movement.told, to);
    const dt = to - movement.told;
    movement.told = to;
    if (dt > 0 && !atRest(axes)) listener().axes(axes, dt, movement.origin + to * 1000);
    // Only the report that holds now, and those that are yet to come, count for the next piece.
    const present = movement.reports.findLastIndex((report) => report.t <= to);
    movement.reports = movement.reports.slice(Math.max(0, present));
  };
  /** Tells what is due of a movement; true when it has ended. */
  const go = (movement: Movement): boolean => {
    const now = since(movement, clock?.() ?? performance.now());
    if (!clock && now - movement.told > SLEPT) movement.told = now - PIECE;
    const ended = movement.end !== null && movement.end <= now;
    const until = ended ? (movement.end as number) : now;
    while (movement.told + PIECE <= until + 1e-9) tell(movement, movement.told + PIECE);
    if (!ended) return false;
    // What is left of a movement that has ended is told at once.
    if (until > movement.told) tell(movement, until);
    listener().rest();
    return true;
  };
  const tick = (): void => {
    forget = null;
    while (movements[0] && go(movements[0])) movements.shift();
    if (movements.length > 0) forget = frames(tick);
  };
  return {
    axes(values, at = performance.now()) {
      const rest = atRest(values);
      let movement = movements.at(-1);
      // A state that comes in several reports may look like rest between two of the same moment.
      if (movement && movement.end !== null && !rest && since(movement, at) <= movement.end) movement.end = null;
      if (!movement || movement.end !== null) {
        if (rest) return;
        movement = { origin: at, reports: [], end: null, told: 0 };
        movements.push(movement);
      }
      const t = Math.max(since(movement, at), movement.reports.at(-1)?.t ?? 0);
      movement.reports.push({ t, axes: values });
      if (rest) movement.end = t;
      forget ??= frames(tick);
    },
    button: (button) => listener().button(button),
    follow(next) {
      clock = next;
    },
    dispose: () => forget?.(),
  };
}

/** Strokes and buttons as commands of a session, by its scheme; a movement from rest to rest is one gesture. `onAnswered`: hears what answers. */
export function puckToSession(session: Recorder, scheme: Scheme, onAnswered?: (binding: Binding | null) => void): PuckListener {
  let id: number | null = null;
  let heardOf: number | null = null;
  const give = (gesture: Gesture, gestureId: number, at?: number): void => {
    const binding = bindingFor(scheme, gesture);
    if (heardOf !== gestureId) onAnswered?.(binding);
    heardOf = gestureId;
    if (!binding) return;
    const commands = resolve(scheme, gesture, session.getState().scene, null, {}, binding);
    session.perform(commands, { id: gestureId, device: 'puck', binding: bindingName(binding) }, { at });
  };
  return {
    axes(axes, dt, at) {
      id ??= session.newGesture();
      give({ kind: 'axes', axes, dt }, id, at);
    },
    button: (button) => give({ kind: 'puckButton', button }, session.newGesture()),
    rest() {
      id = null;
    },
  };
}
