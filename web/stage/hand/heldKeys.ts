import { type Binding, bindingName, type Gesture } from '@core/input';
import type { Command } from '@core/navigation';
import type { Frames } from '../frames';

/** Held keys act at most this often: a trace takes 200 commands a second, and three can come of one moment. */
const LEAST_MS = 15;
/** A pause longer than this is no time that a key was held: the page slept. */
const MOST_MS = 100;

export type HeldGesture = Extract<Gesture, { kind: 'held' }>;

interface HeldKey {
  readonly binding: Binding;
  readonly gesture: Omit<HeldGesture, 'dt' | 'age'>;
}

/** One command of each kind for a moment: ways to walk and to look add up. One walks before one looks, as the floor was found for that gaze. */
export function together(commands: readonly Command[]): Command[] {
  const walks: Extract<Command, { kind: 'walk' }>[] = [];
  const looks: Extract<Command, { kind: 'look' }>[] = [];
  let rise = 0;
  const rest: Command[] = [];
  for (const command of commands) {
    if (command.kind === 'walk') walks.push(command);
    else if (command.kind === 'look') looks.push(command);
    else if (command.kind === 'rise') rise += command.metres;
    else rest.push(command);
  }
  const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);
  const made: Command[] = [];
  if (walks[0]) made.push({ ...walks[0], forward: sum(walks.map((c) => c.forward)), right: sum(walks.map((c) => c.right)) });
  if (rise !== 0) made.push({ kind: 'rise', metres: rise });
  if (looks[0]) made.push({ kind: 'look', yaw: sum(looks.map((c) => c.yaw)), pitch: sum(looks.map((c) => c.pitch)) });
  return [...made, ...rest];
}

export interface HeldKeys {
  /** Takes a key that went down and is bound to something steady. */
  down(code: string, key: HeldKey): void;
  up(code: string): void;
  /** Lets all go, as when the page loses the keyboard. */
  release(): void;
}

/** Keeps the keys that are down and asks, as often as pictures are drawn, what they give together. */
export function createHeldKeys(act: (keys: readonly HeldGesture[], id: number, names: string) => void, newGesture: () => number, frames: Frames): HeldKeys {
  const keys = new Map<string, HeldKey & { readonly since: number }>();
  let forget: (() => void) | null = null;
  let last = 0;
  let id = 0;
  const tick = (): void => {
    forget = null;
    if (keys.size === 0) return;
    const now = performance.now();
    const gone = now - last;
    if (gone >= LEAST_MS) {
      last = now;
      const dt = Math.min(gone, MOST_MS) / 1000;
      const list = [...keys.values()];
      act(
        list.map(({ gesture, since }) => ({ ...gesture, dt, age: (now - since) / 1000 })),
        id,
        list
          .map((key) => bindingName(key.binding))
          .join(', ')
          .slice(0, 80),
      );
    }
    forget = frames(tick);
  };
  return {
    down(code, key) {
      if (keys.has(code)) return;
      if (keys.size === 0) {
        id = newGesture();
        last = performance.now();
      }
      keys.set(code, { ...key, since: performance.now() });
      forget ??= frames(tick);
    },
    up(code) {
      keys.delete(code);
    },
    release() {
      keys.clear();
      forget?.();
      forget = null;
    },
  };
}
