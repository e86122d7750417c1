import { expect, it } from 'vitest';
import { handFor } from './handFor';
import { BUILT_IN_SCHEMES, KEYBOARD_ALONE, TOUCH_SCREEN, TWO_BUTTON_MOUSE } from './schemes';

it('a command is told by the gesture of one’s own scheme', () => {
  const orbit = { kind: 'orbit', dx: 3, dy: 0, mode: 'turntable' } as const;
  expect(handFor(TWO_BUTTON_MOUSE, orbit)).toMatch(/drag$/);
  expect(handFor(TOUCH_SCREEN, orbit)).toBe('one finger');
  // Who has only keys turns by them.
  expect(handFor(KEYBOARD_ALONE, orbit)).toBe(handFor(KEYBOARD_ALONE, { kind: 'turn', axis: 'left', angle: 0.2 }));
  expect(handFor(KEYBOARD_ALONE, orbit)).not.toBe(handFor(KEYBOARD_ALONE, { ...orbit, dx: -3 }));
  expect(handFor(TWO_BUTTON_MOUSE, { kind: 'standard', name: 'front' })).toBe('1');
  expect(handFor(TOUCH_SCREEN, { kind: 'standard', name: 'front' })).toBeNull();
  expect(handFor({ ...TWO_BUTTON_MOUSE, labels: new Map([['Digit1', '&']]) }, { kind: 'standard', name: 'front' })).toBe('&');
  for (const scheme of BUILT_IN_SCHEMES) expect(handFor(scheme, { kind: 'zoom', factor: 1.3 }), scheme.id).toBeTruthy();
});
