import type { Gesture } from './gesture';
import type { Modifier, Trigger } from './schemeSchema';

const MIDDLE = { u: 0, v: 0 };

/** The least of a gesture that answers a trigger, in the middle of the frame: to ask a scheme what it would do. */
export function exampleGesture({ trigger, modifiers }: { readonly trigger: Trigger; readonly modifiers: readonly Modifier[] }): Gesture {
  switch (trigger.kind) {
    case 'drag':
      return { kind: 'drag', button: trigger.button, modifiers, from: MIDDLE, last: MIDDLE, to: MIDDLE, done: true };
    case 'click':
      return { kind: 'click', button: trigger.button, count: trigger.count, modifiers, at: MIDDLE };
    case 'wheel':
      return { kind: 'wheel', modifiers, notches: 1, at: MIDDLE };
    case 'key':
      return { kind: 'key', code: trigger.code, modifiers, at: null };
    case 'held':
      return { kind: 'held', code: trigger.code, modifiers, dt: 0, at: null };
    case 'scroll':
      return { kind: 'scroll', modifiers, du: 0.1, dv: 0.1, at: MIDDLE };
    case 'pinch':
      return { kind: 'pinch', factor: 1.1, at: MIDDLE };
    case 'touch':
      return { kind: 'touch', fingers: trigger.fingers, from: MIDDLE, last: MIDDLE, to: MIDDLE, spread: 1, twist: 0, done: true };
    case 'axes':
      return { kind: 'axes', axes: [1, 0, 0, 0, 0, 0], dt: 0 };
    case 'puckButton':
      return { kind: 'puckButton', button: trigger.button };
  }
}
