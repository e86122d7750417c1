import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type Gesture, THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE } from '../input';
import { randomFrom } from '../math';
import { slipping } from '../simulation';
import { attempt } from '../tests/practice';
import type { Move } from '../trace';
import { type CountedSlip, habitsOf } from './habits';
import { attemptsToReach, fitLearningCurve } from './learningCurve';
import { regress } from './regress';
import { createSlipWatch, slipOf } from './slips';

describe('regress', () => {
  it('finds the line of points on it', () => {
    expect(
      regress([
        [0, 1],
        [1, 3],
        [2, 5],
      ]),
    ).toEqual({ slope: 2, intercept: 1, r: expect.closeTo(1, 12) });
  });

  it('agrees with Anscombe’s first set (1973): y = 3.00 + 0.500 x, r = 0.816', () => {
    const x = [10, 8, 13, 9, 11, 14, 6, 4, 12, 7, 5];
    const y = [8.04, 6.95, 7.58, 8.81, 8.33, 9.96, 7.24, 4.26, 10.84, 4.82, 5.68];
    const line = regress(x.map((v, i) => [v, y[i] as number]));
    expect(line.slope).toBeCloseTo(0.5001, 4);
    expect(line.intercept).toBeCloseTo(3.0001, 4);
    expect(line.r).toBeCloseTo(0.8164, 4);
  });

  it('has no slope where all x are one', () => {
    expect(
      regress([
        [1, 2],
        [1, 4],
      ]),
    ).toEqual({ slope: 0, intercept: 3, r: 0 });
    expect(regress([])).toEqual({ slope: 0, intercept: 0, r: 0 });
  });
});

describe('fitLearningCurve', () => {
  it('finds the curve that made the times', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 10, noNaN: true }),
        fc.double({ min: 5, max: 40, noNaN: true }),
        fc.double({ min: 0.2, max: 2, noNaN: true }),
        (floor, gain, rate) => {
          const fit = fitLearningCurve(Array.from({ length: 30 }, (_, i) => ({ n: i + 1, t: floor + gain * (i + 1) ** -rate })));
          return Math.abs(fit.floor - floor) < 0.02 * (floor + gain) && Math.abs(fit.gain - gain) < 0.02 * (floor + gain) && Math.abs(fit.rate - rate) < 0.03;
        },
      ),
      { numRuns: 60 },
    );
  });

  it('keeps floor, gain and rate at or above 0, also for times that rise', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 100, noNaN: true }), { minLength: 1, maxLength: 20 }), (times) => {
        const fit = fitLearningCurve(times.map((t, i) => ({ n: i + 1, t })));
        return fit.floor >= 0 && fit.gain >= 0 && fit.rate >= 0;
      }),
    );
  });

  it('its standard errors are the spread of repeated fits', () => {
    const random = randomFrom(11);
    const fits = Array.from({ length: 120 }, () =>
      fitLearningCurve(Array.from({ length: 40 }, (_, i) => ({ n: i + 1, t: 5 + 20 * (i + 1) ** -0.8 + 0.5 * random.normal() }))),
    );
    const rates = fits.map((f) => f.rate);
    const mean = rates.reduce((a, b) => a + b, 0) / rates.length;
    const spread = Math.sqrt(rates.reduce((s, r) => s + (r - mean) ** 2, 0) / (rates.length - 1));
    const told = fits.reduce((s, f) => s + f.standardErrors.rate, 0) / fits.length;
    expect(told / spread).toBeGreaterThan(0.7);
    expect(told / spread).toBeLessThan(1.4);
    expect(
      fitLearningCurve([
        { n: 1, t: 3 },
        { n: 2, t: 2 },
      ]).standardErrors.rate,
    ).toBe(Number.POSITIVE_INFINITY);
  });

  it('attemptsToReach is the smallest whole number that does', () => {
    const curve = { floor: 5, gain: 20, rate: 0.5 };
    expect(attemptsToReach(curve, 10)).toBe(16);
    expect(attemptsToReach(curve, 5)).toBe(Number.POSITIVE_INFINITY);
    expect(attemptsToReach(curve, 30)).toBe(1);
    expect(attemptsToReach({ ...curve, rate: 0 }, 10)).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('slips', () => {
  const drag = (button: 'left' | 'middle' | 'right'): Gesture => ({
    kind: 'drag',
    button,
    modifiers: [],
    from: { u: 0, v: 0 },
    last: { u: 0, v: 0 },
    to: { u: 0.1, v: 0 },
    done: true,
  });
  it('are gestures that the earlier scheme binds to what is asked for, and this one does not', () => {
    // With three buttons the right one zooms and the middle one slides; with two the right one slides.
    expect(slipOf(THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, drag('right'), ['zoom'])).toMatchObject({
      gesture: 'right drag',
      wanted: 'zoom',
      words: 'In this scheme right drag is for: Pan: slide the view. Zoom: Alt + right drag.',
    });
    expect(slipOf(THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, drag('middle'), ['pan'])?.words).toBe(
      'This scheme does nothing on middle drag. Pan: slide the view: right drag.',
    );
  });
  it('are not what does the same in both, nor what was not asked for', () => {
    expect(slipOf(THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, drag('left'), ['orbit'])).toBeNull();
    expect(slipOf(THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, drag('right'), ['orbit'])).toBeNull();
    expect(slipOf(TWO_BUTTON_MOUSE, THREE_BUTTON_MOUSE, drag('middle'), ['pan'])).toBeNull();
  });
});

describe('a watch for old habits', () => {
  const key = (code: string): Gesture => ({ kind: 'key', code, modifiers: [], at: null });
  const dragged = (button: 'left' | 'middle' | 'right'): Gesture => ({
    kind: 'drag',
    button,
    modifiers: [],
    from: at,
    last: at,
    to: { u: 0.2, v: 0 },
    done: true,
  });
  const at = { u: 0, v: 0 };
  const watch = () => createSlipWatch(THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE);

  it('tells what does nothing here at once, whatever is asked for', () => {
    expect(watch().hear(dragged('middle'), 1, [])).toMatchObject({ gesture: 'middle drag', wanted: 'pan' });
    expect(watch().hear(dragged('middle'), 1, ['orbit'])).toMatchObject({ wanted: 'pan' });
  });

  it('tells what does something else here when that is not what is asked for, or when it is taken back', () => {
    expect(watch().hear(dragged('right'), 1, ['zoom'])).toMatchObject({ gesture: 'right drag', wanted: 'zoom' });
    const doubtful = watch();
    expect(doubtful.hear(dragged('right'), 1, [])).toBeNull();
    expect(doubtful.hear(key('Backspace'), 3, [])).toMatchObject({ gesture: 'right drag', wanted: 'zoom' });
    expect(doubtful.hear(key('Backspace'), 4, [])).toBeNull();
    const meant = watch();
    meant.hear(dragged('right'), 1, []);
    expect(meant.hear(key('Backspace'), 6, [])).toBeNull();
    meant.hear(dragged('right'), 7, []);
    meant.hear(dragged('left'), 8, []);
    expect(meant.hear(key('Backspace'), 9, [])).toBeNull();
  });

  it('counts a movement once, and says nothing of what both schemes share', () => {
    const one = watch();
    expect(one.hear(dragged('middle'), 1, [])).not.toBeNull();
    expect(one.hear(dragged('middle'), 1.5, [])).toBeNull();
    expect(one.hear(dragged('middle'), 2.4, [])).toBeNull();
    expect(one.hear(dragged('middle'), 5, [])).not.toBeNull();
    expect(one.hear(dragged('left'), 9, ['pan'])).toBeNull();
    expect(one.hear(key('Digit1'), 10, [])).toBeNull();
  });
});

describe('habits of an earlier scheme', () => {
  const attempts = Array.from({ length: 12 }, (_, i) => ({ id: `a${i}`, schemeId: i < 2 ? 'old' : 'new' }));
  const slip = (attempt: number, times: number, gesture = 'middle drag'): CountedSlip => ({ attemptId: `a${attempt}`, gesture, wanted: 'pan', times });

  it('are told for each scheme: all of them, at first and of late', () => {
    const habits = habitsOf(attempts, [slip(2, 5), slip(3, 3), slip(6, 2), slip(11, 1)]);
    expect(habits).toEqual([{ schemeId: 'new', gesture: 'middle drag', wanted: 'pan', times: 11, first: 10 / 5, last: 1 / 5 }]);
  });

  it('count attempts without slips, and stay apart when there are few', () => {
    expect(habitsOf(attempts.slice(0, 4), [slip(2, 4)])).toEqual([expect.objectContaining({ first: 4, last: 0 })]);
    expect(habitsOf(attempts.slice(0, 3), [slip(2, 4)])).toEqual([expect.objectContaining({ first: 4, last: 4 })]);
    expect(habitsOf([], [slip(2, 4)])).toEqual([]);
  });

  it('the most frequent of late come first', () => {
    const habits = habitsOf(attempts, [slip(2, 9), slip(11, 1, 'right drag'), slip(10, 2, 'left drag')]);
    expect(habits.map((habit) => habit.gesture)).toEqual(['left drag', 'right drag', 'middle drag']);
  });

  it('of simulated learners are recovered: how often at first and of late, within a tenth of the movements', () => {
    const MOVEMENTS = 40;
    const pans: Move[] = Array.from({ length: MOVEMENTS }, (_, i) => ({
      t: i + 1,
      command: { kind: 'pan', dx: 10, dy: 0 },
      gesture: { id: i, device: 'mouse', binding: 'right drag' },
    }));
    for (const [before, after] of [
      [0.6, 0.1],
      [0.3, 0.3],
      [0.5, 0],
    ] as const) {
      const ids = Array.from({ length: 20 }, (_, n) => ({ id: `n${n}`, schemeId: 'two-button-mouse' }));
      const slips = ids.map(({ id }, n): CountedSlip => {
        const made = slipping({ ...attempt([]), moves: pans, end: MOVEMENTS + 1 }, THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE, n < 10 ? before : after, n + 1);
        return { attemptId: id, gesture: 'middle drag', wanted: 'pan', times: made.events.filter(({ kind }) => kind === 'slip').length };
      });
      const [habit] = habitsOf(ids, slips);
      expect(Math.abs((habit?.first ?? 0) / MOVEMENTS - before)).toBeLessThan(0.1);
      expect(Math.abs((habit?.last ?? 0) / MOVEMENTS - after)).toBeLessThan(0.1);
    }
  });
});
