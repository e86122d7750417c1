import { triggerWords } from './bindings';
import { POINTER_BUTTONS, type PointerButton } from './gesture';
import type { Binding, Device, Modifier, Scheme } from './schemeSchema';

/** Two bindings that get in each other's way, and why; numbers in `scheme.bindings`. */
export interface Conflict {
  readonly first: number;
  readonly second: number;
  /**
   * `same`: one gesture, two meanings. `held`: a key that acts when pressed and while held. `hidden`: a longer chord can be
   * given only through a shorter one. `first`: a double click can be given only through a single one that changes something.
   */
  readonly kind: 'same' | 'held' | 'hidden' | 'first';
  readonly words: string;
}

const sortedModifiers = (binding: Binding): string => [...binding.modifiers].sort().join('+');
const keyOf = (binding: Binding): string | null => (binding.trigger.kind === 'key' || binding.trigger.kind === 'held' ? binding.trigger.code : null);

/** Picking a part first does no harm to what a double click does. */
const isPick = ({ command }: Binding): boolean => command.kind === 'atPointer' && (command.does === 'select' || command.does === 'selectMore');

/** Keys that are themselves held for other chords. */
const MODIFIER_KEYS: Record<string, Modifier> = {
  ShiftLeft: 'shift',
  ShiftRight: 'shift',
  ControlLeft: 'ctrl',
  ControlRight: 'ctrl',
  AltLeft: 'alt',
  AltRight: 'alt',
};

/** Why two bindings cannot both be given; null when they can. Bindings of different contexts never meet: the nearer one wins. */
export function conflictOf(a: Binding, b: Binding): Pick<Conflict, 'kind' | 'words'> | null {
  if (a.context !== b.context) return null;
  if (JSON.stringify(a.trigger) === JSON.stringify(b.trigger) && sortedModifiers(a) === sortedModifiers(b))
    return { kind: 'same', words: `${triggerWords(a)} is set twice` };
  if (a.trigger.kind === 'click' && b.trigger.kind === 'click' && a.trigger.button === b.trigger.button && sortedModifiers(a) === sortedModifiers(b)) {
    const [single, double] = a.trigger.count === 1 ? [a, b] : [b, a];
    if (!isPick(single)) return { kind: 'first', words: `${triggerWords(single)} is done first, each time that ${triggerWords(double)} is given` };
  }
  const [ka, kb] = [keyOf(a), keyOf(b)];
  if (ka !== null && ka === kb && a.trigger.kind !== b.trigger.kind && sortedModifiers(a) === sortedModifiers(b))
    return { kind: 'held', words: `${triggerWords(a)} acts when it is pressed and while it is held: only the held one is heard` };
  for (const [shorter, longer] of [
    [a, b],
    [b, a],
  ] as const) {
    const code = keyOf(shorter);
    const own = code === null ? undefined : MODIFIER_KEYS[code];
    if (own && longer.modifiers.includes(own))
      return { kind: 'hidden', words: `${triggerWords(longer)} cannot be given without ${triggerWords(shorter)} first` };
  }
  return null;
}

/** All pairs of bindings that get in each other's way, in order. */
export function findConflicts(scheme: Pick<Scheme, 'bindings'>): Conflict[] {
  // Only bindings that share a key, a gesture, or a modifier that is bound itself can meet: they are looked up, not paired.
  const groups = new Map<string, number[]>();
  const note = (key: string, i: number): void => {
    const list = groups.get(key);
    if (list) list.push(i);
    else groups.set(key, [i]);
  };
  scheme.bindings.forEach((binding, i) => {
    const code = keyOf(binding);
    note(`${binding.context} ${code ?? JSON.stringify(binding.trigger)}`, i);
    if (binding.trigger.kind === 'click') note(`${binding.context} click ${binding.trigger.button}`, i);
    const own = code === null ? undefined : MODIFIER_KEYS[code];
    if (own) note(`${binding.context} modifier ${own}`, i);
    for (const modifier of binding.modifiers) note(`${binding.context} modifier ${modifier}`, i);
  });
  const found = new Map<string, Conflict>();
  for (const [key, list] of groups) {
    const byModifier = key.includes(' modifier ');
    const bare = byModifier ? list.filter((i) => MODIFIER_KEYS[keyOf(scheme.bindings[i] as Binding) ?? '']) : list;
    for (const i of bare)
      for (const j of list) {
        if (i === j) continue;
        const [first, second] = i < j ? [i, j] : [j, i];
        const why = conflictOf(scheme.bindings[first] as Binding, scheme.bindings[second] as Binding);
        if (why) found.set(`${first} ${second}`, { first, second, ...why });
      }
  }
  return [...found.values()].sort((x, y) => x.first - y.first || x.second - y.second);
}

/** Clicks that must wait until the button is let go, since a drag begins with the same press: why, in words, by number in `scheme.bindings`. */
export function waitingClicks(scheme: Pick<Scheme, 'bindings'>): Map<number, string> {
  const chordOf = (button: string, binding: Binding): string => `${binding.context} ${button} ${sortedModifiers(binding)}`;
  const drags = new Map(scheme.bindings.flatMap((b) => (b.trigger.kind === 'drag' ? [[chordOf(b.trigger.button, b), b] as const] : [])));
  return new Map(
    scheme.bindings.flatMap((b, i) => {
      const drag = b.trigger.kind === 'click' && drags.get(chordOf(b.trigger.button, b));
      return drag ? [[i, `It acts when the button is let go: ${triggerWords(drag)} begins with the same press.`] as const] : [];
    }),
  );
}

export interface DeviceCapabilities {
  readonly buttons: readonly PointerButton[];
  readonly wheel: boolean;
  readonly keyboard: boolean;
  /** Keys of a numeric keypad: laptops and tablets have none. */
  readonly keypad?: boolean;
  readonly puck: boolean;
  /** Two-finger slide and spread, as a touchpad gives them. */
  readonly touchpad?: boolean;
  /** Fingers that the screen feels at once. */
  readonly fingers?: number;
}

/** What each kind of device gives. A 3D mouse and a touchpad come with a pointer and keys beside them. */
export const CAPABILITIES: Record<Device, DeviceCapabilities> = {
  threeButtonMouse: { buttons: POINTER_BUTTONS, wheel: true, keyboard: true, keypad: true, puck: false },
  twoButtonMouse: { buttons: ['left', 'right'], wheel: true, keyboard: true, puck: false },
  touchpad: { buttons: ['left', 'right'], wheel: false, keyboard: true, puck: false, touchpad: true },
  touch: { buttons: [], wheel: false, keyboard: false, puck: false, fingers: 3 },
  pen: { buttons: ['left', 'right'], wheel: false, keyboard: true, puck: false, fingers: 2 },
  keyboard: { buttons: [], wheel: false, keyboard: true, keypad: true, puck: false },
  puck: { buttons: ['left', 'right'], wheel: true, keyboard: true, keypad: true, puck: true },
};

/** Bindings that a device cannot give. */
export function unreachable(scheme: Pick<Scheme, 'bindings'>, device: DeviceCapabilities): Binding[] {
  return scheme.bindings.filter(({ trigger, modifiers }) => {
    if (modifiers.length > 0 && !device.keyboard) return true;
    switch (trigger.kind) {
      case 'drag':
      case 'click':
        // One finger clicks as a left button does.
        return !device.buttons.includes(trigger.button) && !(trigger.kind === 'click' && trigger.button === 'left' && (device.fingers ?? 0) > 0);
      case 'wheel':
        return !device.wheel;
      case 'scroll':
      case 'pinch':
        return !device.touchpad;
      case 'touch':
        return trigger.fingers > (device.fingers ?? 0);
      case 'key':
      case 'held':
        return !device.keyboard || (trigger.code.startsWith('Numpad') && !device.keypad);
      default:
        return !device.puck;
    }
  });
}

/** Chords that the browser, the operating system or the screen keeps for itself, with what to take instead; null for all others. */
export function takenAway(binding: Pick<Binding, 'trigger' | 'modifiers'>): string | null {
  const { trigger, modifiers } = binding;
  if (trigger.kind !== 'key' && trigger.kind !== 'held') return null;
  const { code } = trigger;
  if (/^F\d+$/.test(code)) return 'Browsers keep the function keys: take a letter.';
  if (code === 'Escape') return 'Escape always takes the running gesture back: take another key.';
  if (code === 'KeyT' && modifiers.length === 0) return 'Practising keeps T: held, it lays the target over the stage. Take another letter.';
  if (code === 'Slash' && modifiers.join() === 'shift') return 'Practising keeps this one for the scheme card: take another key.';
  if (code === 'Tab') return 'Tab goes from one control to the next: take a letter.';
  if (code === 'MetaLeft' || code === 'MetaRight') return 'The operating system keeps this key: take a letter.';
  if (modifiers.includes('ctrl') && /^(KeyW|KeyT|KeyN|KeyQ|KeyR|KeyL|KeyP|KeyS|Tab|Digit\d)$/.test(code))
    return 'Browsers keep this chord for tabs and windows: leave Ctrl out, or take Alt.';
  if (modifiers.includes('alt') && /^(F4|Tab|Space)$/.test(code)) return 'The operating system keeps this chord: take Shift.';
  return null;
}
