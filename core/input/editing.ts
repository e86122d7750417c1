import { CAPABILITIES, unreachable } from './conflicts';
import { POINTER_BUTTONS } from './gesture';
import type { Action, Binding, Device, Modifier, Scheme, Trigger } from './schemeSchema';
import { BUILT_IN_SCHEMES } from './schemes';

/** Changes to a scheme's bindings as plain functions: each gives a new scheme, and leaves `revision` to whoever keeps it. */

const withBindings = (scheme: Scheme, bindings: readonly Binding[]): Scheme => ({ ...scheme, bindings: [...bindings] });

/** A key is held for what goes on while it is down, and pressed for all else. */
function suited(trigger: Trigger, command: Action): Trigger {
  if (trigger.kind === 'key' && command.kind === 'steady') return { kind: 'held', code: trigger.code };
  if (trigger.kind === 'held' && command.kind !== 'steady') return { kind: 'key', code: trigger.code };
  return trigger;
}

/** Whether a trigger can give an action at all; words that say why not, or null. */
export function mismatch(trigger: Trigger, command: Action): string | null {
  const moves = command.kind === 'move';
  switch (trigger.kind) {
    case 'drag':
    case 'touch':
    case 'scroll':
      return moves && command.does !== 'sixAxes' ? null : 'A drag is for what goes with the hand: take a key or a click.';
    case 'wheel':
      return (moves && command.does === 'zoom') || (command.kind === 'aid' && command.does === 'speed') ? null : 'The wheel zooms, or sets the walking speed.';
    case 'pinch':
      return moves && command.does === 'zoom' ? null : 'Spreading two fingers zooms.';
    case 'axes':
      return moves && command.does === 'sixAxes' ? null : 'The cap of a 3D mouse moves everything at once.';
    default:
      return moves ? 'This goes with the hand: take a drag.' : null;
  }
}

/** Buttons of a 3D mouse that can be named; more are bound by pressing them. */
const PUCK_BUTTONS = 8;
const CHOICES: readonly Trigger[] = [
  ...POINTER_BUTTONS.map((button): Trigger => ({ kind: 'drag', button })),
  ...POINTER_BUTTONS.map((button): Trigger => ({ kind: 'click', button, count: 1 })),
  ...POINTER_BUTTONS.map((button): Trigger => ({ kind: 'click', button, count: 2 })),
  { kind: 'wheel' },
  { kind: 'scroll' },
  { kind: 'pinch' },
  ...([1, 2, 3] as const).map((fingers): Trigger => ({ kind: 'touch', fingers })),
  { kind: 'axes' },
  ...Array.from({ length: PUCK_BUTTONS }, (_, i): Trigger => ({ kind: 'puckButton', button: i + 1 })),
];

/** Gestures other than keys that a device can make for an action: to choose from where they cannot be shown. */
export const choicesFor = (command: Action, device: Device): Trigger[] =>
  CHOICES.filter(
    (trigger) =>
      mismatch(trigger, command) === null &&
      unreachable({ bindings: [{ context: 'stage', trigger, modifiers: [], command }] }, CAPABILITIES[device]).length === 0,
  );

export function setTrigger(scheme: Scheme, index: number, trigger: Trigger, modifiers: readonly Modifier[]): Scheme {
  return withBindings(
    scheme,
    scheme.bindings.map((b, i) => (i === index ? { ...b, trigger: suited(trigger, b.command), modifiers: [...modifiers] } : b)),
  );
}

export const clearBinding = (scheme: Scheme, index: number): Scheme =>
  withBindings(
    scheme,
    scheme.bindings.filter((_, i) => i !== index),
  );

/** The gesture that a binding had before it was set anew. */
export interface FormerTrigger {
  readonly trigger: Trigger;
  readonly modifiers: readonly Modifier[];
}

/** A binding that took another's gesture gives that one its own former gesture: the two have changed hands. */
export const swapBack = (scheme: Scheme, other: number, former: FormerTrigger): Scheme => setTrigger(scheme, other, former.trigger, former.modifiers);

/** Whether an action of a binding that was cleared has no gesture any more. */
export const leftWithout = (scheme: Scheme, { context, command }: Binding): boolean =>
  !scheme.bindings.some((b) => b.context === context && JSON.stringify(b.command) === JSON.stringify(command));

export const addBinding = (scheme: Scheme, command: Action, trigger: Trigger, modifiers: readonly Modifier[]): Scheme =>
  withBindings(scheme, [...scheme.bindings, { context: 'stage', trigger: suited(trigger, command), modifiers: [...modifiers], command }]);

export const changeBinding = (scheme: Scheme, index: number, change: Partial<Pick<Binding, 'gain' | 'invert'>>): Scheme =>
  withBindings(
    scheme,
    scheme.bindings.map((b, i) => (i === index ? { ...b, ...change } : b)),
  );

/** For the other hand: left and right buttons change places. Twice is as before. */
export function mirrored(scheme: Scheme): Scheme {
  const other = { left: 'right', right: 'left', middle: 'middle' } as const;
  return withBindings(
    scheme,
    scheme.bindings.map((b) =>
      b.trigger.kind === 'drag' || b.trigger.kind === 'click' ? { ...b, trigger: { ...b.trigger, button: other[b.trigger.button] } as Trigger } : b,
    ),
  );
}

/** The shipped scheme for the same device: what "restore" brings back. */
export const shippedFor = (scheme: Scheme): Scheme => BUILT_IN_SCHEMES.find((s) => s.device === scheme.device) ?? (BUILT_IN_SCHEMES[0] as Scheme);

/** Every action that a shipped scheme binds, once each: what there is to choose from. */
export const ACTION_CATALOGUE: readonly Action[] = [
  ...new Map(
    BUILT_IN_SCHEMES.flatMap((s) => s.bindings.filter((b) => b.context === 'stage').map((b) => [JSON.stringify(b.command), b.command] as const)),
  ).values(),
];
