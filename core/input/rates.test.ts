import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { start } from '../tests/practice';
import { heldSpeed, repeatedStep } from './acceleration';
import { shapeAxes, USUAL_PUCK } from './axes';
import type { Gesture } from './gesture';
import { meanStroke, type TimedStroke } from './resample';
import { resolve } from './resolve';
import { KEYBOARD_ALONE } from './schemes';

const stroke = fc.tuple(...Array.from({ length: 6 }, () => fc.double({ min: -1, max: 1, noNaN: true })));

describe('reports at any rate', () => {
  const reports = fc.array(fc.tuple(fc.double({ min: 0, max: 0.2, noNaN: true }), stroke), { minLength: 1, maxLength: 20 }).map((list): TimedStroke[] => {
    let t = 0;
    return list.map(([gap, axes]) => {
      t += gap;
      return { t, axes };
    });
  });

  it('add up to the same however the time is cut into pictures', () => {
    fc.assert(
      fc.property(reports, fc.array(fc.double({ min: 0.01, max: 1, noNaN: true }), { minLength: 1, maxLength: 12 }), (list, shares) => {
        const whole = shares.reduce((a, b) => a + b, 0);
        const end = 3;
        const sum = [0, 0, 0, 0, 0, 0];
        let from = 0;
        for (const share of shares) {
          const to = from + (end * share) / whole;
          for (const [i, mean] of meanStroke(list, from, to).entries()) sum[i] = (sum[i] as number) + mean * (to - from);
          from = to;
        }
        for (const [i, mean] of meanStroke(list, 0, end).entries()) expect(sum[i]).toBeCloseTo(mean * end, 9);
      }),
    );
  });

  it('hold until the next one, and there is rest before the first', () => {
    const list = [
      { t: 1, axes: [1, 0, 0, 0, 0, 0] },
      { t: 2, axes: [-0.5, 0, 0, 0, 0, 0] },
    ];
    expect(meanStroke(list, 0, 1)[0]).toBe(0);
    expect(meanStroke(list, 0.5, 1.5)[0]).toBeCloseTo(0.5, 12);
    expect(meanStroke(list, 1.5, 2.5)[0]).toBeCloseTo(0.25, 12);
    expect(meanStroke(list, 5, 7)[0]).toBe(-0.5);
    expect(meanStroke(list, 7, 7)).toEqual([0, 0, 0, 0, 0, 0]);
    expect(meanStroke([], 0, 1)).toEqual([0, 0, 0, 0, 0, 0]);
  });
});

describe('the dominant axis', () => {
  it('alone counts, exactly as it would with the others', () => {
    fc.assert(
      fc.property(stroke, (axes) => {
        const six = axes as unknown as Parameters<typeof shapeAxes>[0];
        const all = shapeAxes(six, USUAL_PUCK, 0.1);
        const one = shapeAxes(six, { ...USUAL_PUCK, dominant: true }, 0.1);
        const farthest = axes.findIndex((a) => Math.abs(a) === Math.max(...axes.map(Math.abs)));
        expect(one[farthest]).toBe(all[farthest]);
        expect(one.filter((a, i) => i !== farthest && a !== 0)).toEqual([]);
      }),
    );
  });
});

describe('keys that are held', () => {
  it('begin gently, never get slower, and have a fastest', () => {
    expect([0, 0.5, 2.5, 60].map(heldSpeed)).toEqual([0.4, 1, 2.5, 2.5]);
    for (let t = 0; t < 3; t += 0.05) expect(heldSpeed(t + 0.05)).toBeGreaterThanOrEqual(heldSpeed(t));
    expect([0, 4, 12, 20, 500].map(repeatedStep)).toEqual([1, 1, 2.5, 4, 4]);
  });

  const held = (code: string, age?: number): Gesture => ({ kind: 'held', code, modifiers: [], dt: 0.1, at: null, ...(age === undefined ? {} : { age }) });
  const pressed = (code: string, repeats: number, ...modifiers: 'alt'[]): Gesture => ({ kind: 'key', code, modifiers, at: null, repeats });
  const given = (gesture: Gesture, standing = false) =>
    resolve(KEYBOARD_ALONE, gesture, start, null, standing ? { standing, speed: 1.4, onFloor: true } : {})[0];

  it('zoom and rise faster with time; walking and turning keep their speed, so that an arc is even', () => {
    const octaves = (age?: number): number => {
      const command = given(held('PageUp', age));
      return command?.kind === 'zoom' ? Math.log2(command.factor) : Number.NaN;
    };
    expect(octaves(0)).toBeCloseTo(0.4 * octaves(), 12);
    expect(octaves(9)).toBeCloseTo(2.5 * octaves(), 12);
    expect(given(held('ArrowUp', 0), true)).toEqual(given(held('ArrowUp', 9), true));
    expect(given(held('ArrowLeft', 0), true)).toEqual(given(held('ArrowLeft', 9), true));
    expect(given(held('PageUp', 0), true)).toMatchObject({ kind: 'rise', metres: expect.closeTo(0.4 * 1.4 * 0.1, 12) });
    expect(given(held('PageUp', 9), true)).toMatchObject({ kind: 'rise', metres: expect.closeTo(2.5 * 1.4 * 0.1, 12) });
  });

  it('keep a steady rate in a scheme that does not ask for more', () => {
    const steady = { ...KEYBOARD_ALONE, options: { ...KEYBOARD_ALONE.options, accelerate: false } };
    expect(resolve(steady, held('PageUp', 0), start, null)).toEqual(resolve(steady, held('PageUp', 9), start, null));
    expect(resolve(steady, pressed('Equal', 20), start, null)).toEqual(resolve(steady, pressed('Equal', 0), start, null));
  });

  it('that repeat slide and zoom in larger steps, and turn in steps as exact as the first', () => {
    const slide = (repeats: number): number => {
      const command = given(pressed('ArrowLeft', repeats, 'alt'));
      return command?.kind === 'pan' ? command.dx : Number.NaN;
    };
    expect(slide(0)).toBe(50);
    expect(slide(20)).toBe(200);
    const closer = [0, 20].map((repeats) => given(pressed('Equal', repeats)));
    expect(closer).toEqual([
      { kind: 'zoom', factor: 1.25 },
      { kind: 'zoom', factor: expect.closeTo(1.25 ** 4, 12) },
    ]);
    expect(given(pressed('ArrowLeft', 20))).toEqual(given(pressed('ArrowLeft', 0)));
  });
});
