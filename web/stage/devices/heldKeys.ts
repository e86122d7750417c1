import { type Binding, bindingName, type Gesture } from '@core/input';
import type { Command } from '@core/navigation';
import type { Frames } from '../frames';

/**
 * Time that keys are held is taken in pieces of this length, ms, whenever pictures are drawn: the same keys held for the same
 * time give the same commands on every machine.
 */
const PIECE_MS = 1000 / 60;
/** A pause longer than this is no time that a key was held: the page slept, ms. */
const SLEPT_MS = 1000;

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
  /** Takes a key that went down, at a moment in ms on the page's clock, and is bound to something steady. */
  down(code: string, key: HeldKey, at: number): void;
  up(code: string, at: number): void;
  /** Lets all go, as when the page loses the keyboard. */
  release(): void;
}

/** What is done for keys that are held together for another piece of time, up to the moment `at`. */
export type ActHeld = (keys: readonly HeldGesture[], id: number, names: string, at: number) => void;

/** Keeps the keys that are down and asks, in pieces of even length, what they give together. */
export function createHeldKeys(act: ActHeld, newGesture: () => number, frames: Frames): HeldKeys {
  const keys = new Map<string, HeldKey & { readonly since: number }>();
  let forget: (() => void) | null = null;
  let last = 0;
  let id = 0;
  const give = (to: number): void => {
    const dt = (to - last) / 1000;
    last = to;
    const list = [...keys.values()];
    // To whole microseconds: no clock's origin is left in them.
    const held = list.map(({ gesture, since }) => ({ ...gesture, dt: Math.round(dt * 1e6) / 1e6, age: Math.round((to - since) * 1000) / 1e6 }));
    const names = list.map((key) => bindingName(key.binding)).join(', ');
    if (dt > 0 && list.length > 0) act(held, id, names.slice(0, 80), to);
  };
  /** All whole pieces up to a moment; `whole`: what is left of one as well. */
  const upTo = (at: number, whole = false): void => {
    if (at - last > SLEPT_MS) last = at - PIECE_MS;
    while (last + PIECE_MS <= at + 1e-6) give(last + PIECE_MS);
    if (whole && at > last) give(at);
  };
  const tick = (): void => {
    forget = null;
    if (keys.size === 0) return;
    upTo(performance.now());
    forget = frames(tick);
  };
  return {
    down(code, key, at) {
      if (keys.has(code)) return;
      if (keys.size === 0) {
        id = newGesture();
        last = at;
      } else upTo(at, true);
      keys.set(code, { ...key, since: at });
      forget ??= frames(tick);
    },
    up(code, at) {
      if (keys.has(code)) upTo(at, true);
      keys.delete(code);
    },
    release() {
      keys.clear();
      forget?.();
      forget = null;
    },
  };
}
