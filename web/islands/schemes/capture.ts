import type { Modifier, Trigger } from '@core/input';
import { modifiersOf } from '@web/stage/devices/modifiers';

/** What a hand did when it was asked to show a gesture. */
export interface Captured {
  readonly trigger: Trigger;
  readonly modifiers: readonly Modifier[];
}

const ALONE = new Set(['ShiftLeft', 'ShiftRight', 'ControlLeft', 'ControlRight', 'AltLeft', 'AltRight', 'MetaLeft', 'MetaRight']);

/** A key as a trigger; null for one that is only held for others. */
export function keyCaptured(event: { code: string; shiftKey: boolean; ctrlKey: boolean; altKey: boolean }): Captured | null {
  if (!event.code || ALONE.has(event.code)) return null;
  return { trigger: { kind: 'key', code: event.code }, modifiers: modifiersOf(event) };
}

/** Tells a wheel from two fingers on a touchpad: a wheel clicks in large whole steps, straight up or down. */
export function wheelCaptured(event: { deltaX: number; deltaY: number; deltaMode: number; shiftKey: boolean; ctrlKey: boolean; altKey: boolean }): Captured {
  const modifiers = modifiersOf(event).filter((m) => m !== 'ctrl');
  if (event.ctrlKey) return { trigger: { kind: 'pinch' }, modifiers };
  const coarse = event.deltaMode !== 0 || (event.deltaX === 0 && Math.abs(event.deltaY) >= 50);
  return { trigger: { kind: coarse ? 'wheel' : 'scroll' }, modifiers };
}
