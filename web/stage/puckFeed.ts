import { bindingFor, bindingName, type Gesture, resolve, type Scheme, type SixAxes } from '@core/input';
import type { Session } from './session';

/** Who hears what a 3D mouse does, real or simulated. */
export interface PuckListener {
  /** Strokes held for another `dt` seconds, once a drawn picture. */
  axes(axes: SixAxes, dt: number): void;
  button(button: number): void;
  /** The cap came to rest. */
  rest(): void;
}

/** Turns strokes that change now and then into strokes that last, one piece a picture. */
export function createPuckFeed(listener: () => PuckListener): { axes(values: readonly number[]): void; button(button: number): void; dispose(): void } {
  let axes: readonly number[] = [0, 0, 0, 0, 0, 0];
  let frame = 0;
  let last = 0;
  const tick = (now: number): void => {
    frame = 0;
    if (axes.every((a) => a === 0)) {
      listener().rest();
      return;
    }
    const dt = Math.min(0.1, (now - last) / 1000);
    last = now;
    listener().axes(axes as unknown as SixAxes, dt);
    frame = requestAnimationFrame(tick);
  };
  return {
    axes(values) {
      axes = values;
      if (frame || values.every((a) => a === 0)) return;
      last = performance.now();
      frame = requestAnimationFrame(tick);
    },
    button: (button) => listener().button(button),
    dispose: () => cancelAnimationFrame(frame),
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
