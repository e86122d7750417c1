import { expect, it } from 'vitest';
import { homeHand } from '../advice/gestureWords';
import { keyWords, triggerWords } from './bindings';
import { CARD_GROUPS, cardGroupOf } from './cardGroups';
import { takenAway } from './conflicts';
import { BUILT_IN_SCHEMES, KEYBOARD_ALONE, TWO_BUTTON_MOUSE } from './schemes';
import { shortcutFor } from './shortcuts';

/** A German keyboard, where it differs. */
const german = new Map([
  ['KeyY', 'z'],
  ['KeyZ', 'y'],
  ['BracketLeft', 'ü'],
  ['Minus', 'ß'],
  ['Comma', ','],
]);

it('keys are named by what stands on them, and by the usual name where that is not known', () => {
  expect(['KeyY', 'KeyZ', 'BracketLeft', 'Minus', 'Comma', 'ArrowLeft', 'Numpad4', 'Digit1'].map((code) => keyWords(code, german))).toEqual([
    'Z',
    'Y',
    'Ü',
    'ß'.toUpperCase(),
    'comma',
    'left arrow',
    'keypad 4',
    '1',
  ]);
  expect(['KeyY', 'Minus', 'Period'].map((code) => keyWords(code))).toEqual(['Y', '-', 'full stop']);
  expect(triggerWords({ trigger: { kind: 'held', code: 'KeyZ' }, modifiers: ['shift'] }, german)).toBe('Shift + hold Y');
});

it('a shortcut is the key that does just this, else a gesture of the pointer, else none', () => {
  expect(shortcutFor(TWO_BUTTON_MOUSE, { kind: 'command', command: { kind: 'standard', name: 'front' } })).toBe('1');
  expect(shortcutFor(TWO_BUTTON_MOUSE, { kind: 'atPointer', does: 'centre' })).toBe('C');
  expect(shortcutFor(TWO_BUTTON_MOUSE, { kind: 'move', does: 'orbit' })).toBe('left drag');
  expect(shortcutFor(KEYBOARD_ALONE, { kind: 'move', does: 'orbit' })).toBeNull();
  expect(shortcutFor(TWO_BUTTON_MOUSE, { kind: 'aid', does: 'standing' }, german)).toBe('Z');
  expect(shortcutFor(TWO_BUTTON_MOUSE, { kind: 'steady', does: 'rise', way: 1 }, undefined, 'standing')).toMatch(/^hold /);
});

it('advice names the keys of the keyboard at hand', () => {
  const moved = {
    ...KEYBOARD_ALONE,
    bindings: KEYBOARD_ALONE.bindings.map((b) =>
      b.trigger.kind === 'key' && b.trigger.code === 'Home' ? { ...b, trigger: { kind: 'key' as const, code: 'KeyZ' } } : b,
    ),
  };
  expect(homeHand(moved)).toBe('press Z');
  expect(homeHand({ ...moved, labels: german })).toBe('press Y');
});

it('the keys that practising keeps are not given away, and no shipped scheme has them', () => {
  expect(takenAway({ trigger: { kind: 'key', code: 'KeyT' }, modifiers: [] })).toMatch(/keeps T/);
  expect(takenAway({ trigger: { kind: 'key', code: 'KeyT' }, modifiers: ['shift'] })).toBeNull();
  expect(takenAway({ trigger: { kind: 'key', code: 'Slash' }, modifiers: ['shift'] })).toMatch(/scheme card/);
  for (const scheme of BUILT_IN_SCHEMES) for (const binding of scheme.bindings) expect(takenAway(binding), triggerWords(binding)).toBeNull();
});

it('a scheme card has every binding under one heading, and no heading holds most of it', () => {
  for (const scheme of BUILT_IN_SCHEMES) {
    const counts = CARD_GROUPS.map((group) => scheme.bindings.filter((binding) => cardGroupOf(binding) === group).length);
    expect(counts.reduce((a, b) => a + b, 0)).toBe(scheme.bindings.length);
    if (scheme.bindings.length > 20) expect(Math.max(...counts)).toBeLessThan(scheme.bindings.length / 3);
  }
  const groupOf = (name: string): string[] => TWO_BUTTON_MOUSE.bindings.filter((b) => cardGroupOf(b) === name).map((b) => triggerWords(b));
  expect(groupOf('Way back')).toContain('Home');
  expect(groupOf('The cut')).toContain('K');
  expect(groupOf('Round it')).toContain('left drag');
});
