import { type Binding, bindingFor, exampleGesture, type Scheme, TWO_BUTTON_MOUSE } from '@core/input';
import { describe, expect, it } from 'vitest';
import { practicePiece } from './practicePiece';
import { type Tried, triedOnce, triedWords } from './tried';

const scheme: Scheme = TWO_BUTTON_MOUSE;
const bound = (kind: 'drag' | 'wheel', button: 'left' | 'right' = 'left'): Binding => {
  const trigger = kind === 'drag' ? ({ kind, button } as const) : ({ kind } as const);
  return bindingFor(scheme, exampleGesture({ trigger, modifiers: [] })) as Binding;
};
const orbit = bound('drag');
const pan = bound('drag', 'right');
const after = (...hands: (Binding | null)[]): Tried => hands.reduce<Tried>((before, hand) => triedOnce(before, hand, orbit), { last: undefined, times: 0 });

describe('a line that is tried', () => {
  it('says what to do, what was done, and that it was it', () => {
    expect(triedWords(after(), orbit)).toBe('Now you, on the piece beside this.');
    expect(triedWords(after(pan), orbit)).toBe('That was “Pan: slide the view”, by right drag. Here: left drag.');
    expect(triedWords(after(null), orbit)).toBe('Nothing answers to that in this scheme. Here: left drag.');
    expect(triedWords(after(pan, orbit), orbit)).toBe('That was it.');
    expect(triedWords(after(orbit, orbit), orbit)).toBe('That was it again.');
    expect(after(orbit, pan, orbit).times).toBe(2);
  });

  it('says what else one needs', () => {
    const fingers: Binding = { ...orbit, trigger: { kind: 'touch', fingers: 1 } };
    expect(triedWords(after(), fingers)).toContain('a touch screen');
  });
});

it('the piece to practise with has parts of its own and is seen from a little above', () => {
  const { prepared, home } = practicePiece();
  expect(prepared.mesh.parts.length).toBeGreaterThan(5);
  expect(prepared.edges.length).toBeGreaterThan(0);
  expect(home.distance).toBeGreaterThan(5);
});
