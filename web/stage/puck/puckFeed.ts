import { bindingFor, bindingName, type Gesture, meanStroke, resolve, type Scheme, type SixAxes, type TimedStroke } from '@core/input';
import { browserFrames, type Frames } from '../frames';
import type { Session } from '../session';

/** Who hears what a 3D mouse does, real or simulated. */
export interface PuckListener {
  /** Strokes held for another `dt` seconds, once a drawn picture. */
  axes(axes: SixAxes, dt: number): void;
  button(button: number): void;
  /** The cap came to rest. */
  rest(): void;
}

export interface PuckFeed {
  /** Strokes that hold from `at` on, ms on the page's clock; left out: from now. */
  axes(values: readonly number[], at?: number): void;
  button(button: number): void;
  dispose(): void;
}

/** A picture that took longer than this was no movement of the hand: the page slept, s. */
const MOST = 0.1;
const atRest = (axes: readonly number[]): boolean => axes.every((a) => a === 0);

/** Turns reports that come at a device's own rate into strokes for each drawn picture: what is told adds up to what was reported. */
export function createPuckFeed(listener: () => PuckListener, frames: Frames = browserFrames): PuckFeed {
  let reports: TimedStroke[] = [];
  let forget: (() => void) | null = null;
  let last = 0;
  const tick = (): void => {
    forget = null;
    const now = performance.now() / 1000;
    const from = Math.max(last, now - MOST);
    const axes = meanStroke(reports, from, now);
    const dt = now - from;
    last = now;
    // Only the report that holds now, and those that are yet to come, count for the next picture.
    const present = reports.findLastIndex((report) => report.t <= now);
    reports = reports.slice(Math.max(0, present));
    const moving = !reports.every((report) => atRest(report.axes));
    if (!atRest(axes)) listener().axes(axes, dt);
    if (moving) forget = frames(tick);
    else listener().rest();
  };
  return {
    axes(values, at = performance.now()) {
      const t = at / 1000;
      const idle = !forget;
      if (idle && atRest(values)) return;
      if (idle) {
        reports = [];
        last = t;
        forget = frames(tick);
      }
      reports.push({ t: Math.max(t, reports.at(-1)?.t ?? t), axes: values });
    },
    button: (button) => listener().button(button),
    dispose: () => forget?.(),
  };
}

/** Strokes and buttons as commands of a session, by its scheme; a movement from rest to rest is one gesture. */
export function puckToSession(session: Session, scheme: Scheme): PuckListener {
  let id: number | null = null;
  const act = (gesture: Gesture, gestureId: number): void => {
    const binding = bindingFor(scheme, gesture);
    if (binding) session.perform(resolve(scheme, gesture, session.getState().scene, null), { id: gestureId, device: 'puck', binding: bindingName(binding) });
  };
  return {
    axes(axes, dt) {
      id ??= session.newGesture();
      act({ kind: 'axes', axes, dt }, id);
    },
    button: (button) => act({ kind: 'puckButton', button }, session.newGesture()),
    rest() {
      id = null;
    },
  };
}
