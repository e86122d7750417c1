import type { Gesture } from './gesture';
import type { Binding, Modifier, Scheme, Trigger } from './schemeSchema';

const sameModifiers = (a: readonly Modifier[], b: readonly Modifier[]): boolean => a.length === b.length && a.every((m) => b.includes(m));

function fits(trigger: Trigger, gesture: Gesture): boolean {
  if (trigger.kind !== gesture.kind) return false;
  switch (gesture.kind) {
    case 'drag':
      return (trigger as { button: string }).button === gesture.button;
    case 'click':
      return (trigger as { button: string }).button === gesture.button && (trigger as { count: number }).count === gesture.count;
    case 'key':
    case 'held':
      return (trigger as { code: string }).code === gesture.code;
    case 'puckButton':
      return (trigger as { button: number }).button === gesture.button;
    case 'touch':
      return (trigger as { fingers: number }).fingers === gesture.fingers;
    default:
      return true;
  }
}

/** The binding that answers a gesture, if any. Standing inside, its own bindings come first, and hide the others of the same key. */
export function bindingFor(scheme: Scheme, gesture: Gesture, standing = false): Binding | null {
  const modifiers = 'modifiers' in gesture ? gesture.modifiers : [];
  const answers =
    (context: Binding['context'], made: Gesture) =>
    (binding: Binding): boolean =>
      binding.context === context && fits(binding.trigger, made) && sameModifiers(binding.modifiers, modifiers);
  if (!standing) return scheme.bindings.find(answers('stage', gesture)) ?? null;
  const own = scheme.bindings.find(answers('standing', gesture));
  if (own) return own;
  // A key that walks while it is held does nothing else when it is pressed.
  const other: Gesture | null =
    gesture.kind === 'key' ? { ...gesture, kind: 'held', dt: 0 } : gesture.kind === 'held' ? { kind: 'key', code: gesture.code, modifiers, at: null } : null;
  if (other && scheme.bindings.some(answers('standing', other))) return null;
  return scheme.bindings.find(answers('stage', gesture)) ?? null;
}

const KEY_WORDS: Record<string, string> = {
  ArrowLeft: 'left arrow',
  ArrowRight: 'right arrow',
  ArrowUp: 'up arrow',
  ArrowDown: 'down arrow',
  Equal: '=',
  Minus: '-',
  Comma: 'comma',
  Period: 'full stop',
  BracketLeft: '[',
  BracketRight: ']',
  Semicolon: ';',
  Quote: "'",
  Slash: '/',
  Space: 'space bar',
};

/** What stands on the keys of someone's keyboard, by `KeyboardEvent.code`. Without it keys are named as on an American one. */
export type KeyLabels = ReadonlyMap<string, string>;

/** A scheme, with what stands on the keys where that is known. */
export type LabelledScheme = Scheme & { readonly labels?: KeyLabels };

/** Marks that are better read than seen. */
const MARK_WORDS: Record<string, string> = { ',': 'comma', '.': 'full stop', ' ': 'space bar' };

/** A key as a person names it. */
export function keyWords(code: string, labels?: KeyLabels): string {
  const label = labels?.get(code);
  if (label) return MARK_WORDS[label] ?? label.toUpperCase();
  return KEY_WORDS[code] ?? code.replace(/^(Key|Digit)/, '').replace(/^Numpad/, 'keypad ');
}

/** The keys that are held for others, as a person names them. */
export const MODIFIER_WORDS: Record<Modifier, string> = { shift: 'Shift', ctrl: 'Ctrl', alt: 'Alt' };

/** "Shift + left drag" */
export function triggerWords(binding: { readonly trigger: Trigger; readonly modifiers: readonly Modifier[] }, labels?: KeyLabels): string {
  const { trigger } = binding;
  const held = binding.modifiers.map((m) => MODIFIER_WORDS[m]);
  const words = ((): string => {
    switch (trigger.kind) {
      case 'drag':
        return `${trigger.button} drag`;
      case 'click':
        return `${trigger.count === 2 ? 'double ' : ''}${trigger.button} click`;
      case 'wheel':
        return 'wheel';
      case 'key':
        return keyWords(trigger.code, labels);
      case 'held':
        return `hold ${keyWords(trigger.code, labels)}`;
      case 'scroll':
        return 'two-finger slide';
      case 'pinch':
        return 'two-finger spread';
      case 'touch':
        return trigger.fingers === 1 ? 'one finger' : trigger.fingers === 2 ? 'two fingers' : 'three fingers';
      case 'axes':
        return 'push, slide, tilt or twist the puck';
      case 'puckButton':
        return `puck button ${trigger.button}`;
    }
  })();
  return [...held, words].join(' + ');
}

/** A short name of the binding for the trace: unique within its scheme. */
export const bindingName = (binding: Binding): string => triggerWords(binding).slice(0, 80);
