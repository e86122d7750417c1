import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { adviceOf } from '../advice';
import type { Criterion, CriterionId } from '../criteria';
import type { Goal } from '../goals';
import { KEYBOARD_ALONE, SIX_AXIS_PUCK, TWO_BUTTON_MOUSE } from '../input';
import { contextFor } from '../model';
import { apply, type Command, initialScene } from '../navigation';
import { minimumJerkPath } from '../simulation';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import { scoreAttempt } from './scoreAttempt';

const context = contextFor(crate, start);
const after = (...commands: readonly Command[]) => commands.reduce((scene, command) => apply(scene, command, context), start);
const matching = (...commands: readonly Command[]): Goal => ({ kind: 'matchView', target: { ...after(...commands), history: start.history }, subject: [] });
const right = (angle: number): Command => ({ kind: 'turn', axis: 'right', angle });
const scoreOf = (goal: Goal, ...commands: readonly Command[]): number => scoreAttempt(exerciseOf(goal), crate, attempt(commands)).score;
const value = (goal: Goal, id: CriterionId, commands: readonly Command[], criteria?: readonly Criterion[]): number | null => {
  const exercise = exerciseOf(goal);
  const [step] = exercise.steps;
  if (!step) throw new Error('a step');
  const all = { ...exercise, steps: [{ ...step, criteria: criteria ? [...criteria] : [{ id, full: 0, zero: 1e6, weight: 1 }] }] };
  return scoreAttempt(all, crate, attempt(commands)).steps[0]?.criteria.find((c) => c.id === id)?.value ?? null;
};

describe('match a view', () => {
  it('the perfect attempt gets 100 and nothing scores higher', () => {
    const goal = matching(right(0.7), { kind: 'zoom', factor: 1.4 });
    expect(scoreOf(goal, right(0.7), { kind: 'zoom', factor: 1.4 })).toBe(100);
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: 0.5, max: 2, noNaN: true }), (angle, factor) => {
        const score = scoreOf(goal, right(angle), { kind: 'zoom', factor });
        return score >= 0 && score <= 100;
      }),
      { numRuns: 25 },
    );
  });

  it('a criterion falls as its one degree of freedom leaves the target, and the others stay', () => {
    const goal = matching();
    const cases: readonly [CriterionId, (k: number) => Command][] = [
      ['direction', (k) => right(k * 0.2)],
      ['roll', (k) => ({ kind: 'roll', angle: k * 0.2 })],
      ['size', (k) => ({ kind: 'zoom', factor: 1 + k * 0.2 })],
      ['placement', (k) => ({ kind: 'pan', dx: k * 90, dy: 0 })],
    ];
    for (const [id, move] of cases) {
      const values = [0, 1, 2, 3].map((k) => value(goal, id, [move(k)]) ?? Number.NaN);
      expect(values[0], id).toBeLessThan(1e-9);
      for (let k = 1; k < 4; k++) expect(values[k], id).toBeGreaterThan(values[k - 1] as number);
    }
    expect(value(goal, 'roll', [{ kind: 'pan', dx: 90, dy: 0 }])).toBeLessThan(1e-12);
    expect(value(goal, 'direction', [{ kind: 'roll', angle: 0.4 }])).toBeLessThan(1e-9);
  });

  it('known values: a turn, an octave, a switch, time, gestures and detour', () => {
    const goal = matching();
    expect(value(goal, 'direction', [{ kind: 'standard', name: 'front' }, right(0.25), { kind: 'standard', name: 'front' }])).toBeGreaterThan(0);
    expect(value(goal, 'projection', [{ kind: 'projection', projection: 'orthographic' }])).toBe(1);
    expect(value(goal, 'time', [right(0.1), right(0.1)])).toBe(2);
    expect(value(goal, 'gestures', [right(0.1), right(0.1), { kind: 'select', parts: ['lid'] }])).toBe(2);
    expect(value(goal, 'switches', [right(0.1), { kind: 'zoom', factor: 2 }, right(0.1)])).toBe(2);
    // There and back again: 0.4 rad on a way of nothing, floored at 0.1.
    const level = matching({ kind: 'level', verticals: true });
    const made = value(level, 'detour', [{ kind: 'level', verticals: true }]);
    expect(made).toBeCloseTo(0, 9);
  });

  it('a subject behind the eye earns nothing for size and place, and is no error', () => {
    const card = scoreAttempt(exerciseOf(matching()), crate, attempt([{ kind: 'dolly', metres: 50 }]));
    for (const id of ['size', 'placement'] as const) expect(card.steps[0]?.criteria.find((c) => c.id === id)).toMatchObject({ value: null, points: 0 });
  });

  it('hidden parts count', () => {
    const goal = matching({ kind: 'show', parts: ['lid'], state: 'hidden' });
    expect(value(goal, 'visibility', [])).toBe(1);
    expect(value(goal, 'visibility', [{ kind: 'show', parts: ['lid', 'knob'], state: 'hidden' }])).toBe(0.5);
    expect(scoreOf(goal, { kind: 'show', parts: ['lid'], state: 'hidden' })).toBe(100);
  });
});

describe('the other goals', () => {
  it('calls: answered on the spot they are right, unanswered they count half a turn', () => {
    const goal: Goal = { kind: 'callView', order: 'asGiven', calls: [{ kind: 'standard', name: 'front' }, { kind: 'opposite' }] };
    const full = attempt(
      [{ kind: 'standard', name: 'front' }, { kind: 'opposite' }],
      [
        { t: 1.5, kind: 'answer', step: 0, call: 0 },
        { t: 2.5, kind: 'answer', step: 0, call: 1 },
      ],
    );
    const card = scoreAttempt(exerciseOf(goal), crate, full);
    expect(card.score).toBe(100);
    expect(card.steps[0]?.criteria.find((c) => c.id === 'callTime')?.value).toBe(0.75);
    const missed = scoreAttempt(exerciseOf(goal), crate, attempt([{ kind: 'standard', name: 'rear' }]));
    expect(missed.steps[0]?.criteria.find((c) => c.id === 'standardAngle')).toMatchObject({ value: expect.closeTo(Math.PI, 12), points: 0 });
    expect(missed.steps[0]?.criteria.find((c) => c.id === 'wrongTurns')?.value).toBe(1);
    expect(missed.score).toBeLessThanOrEqual(50);
  });

  it('a random order comes from the seed, and the answer is judged by what was called', () => {
    const calls = (['front', 'rear', 'top', 'left', 'right'] as const).map((name) => ({ kind: 'standard' as const, name }));
    const goal: Goal = { kind: 'callView', order: 'random', calls };
    const scores = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map(
      (seed) =>
        scoreAttempt(
          exerciseOf(goal),
          crate,
          attempt([{ kind: 'standard', name: 'front' }], [{ t: 1.5, kind: 'answer', step: 0, call: 0 }], seed),
        ).steps[0]?.criteria.find((c) => c.id === 'standardAngle')?.value,
    );
    expect(new Set(scores).size).toBeGreaterThan(1);
  });

  it('an orbit repeated just so has no error; stood still, half of it is missing', () => {
    const pivot = crate.home.target;
    const path = minimumJerkPath(crate.home, pivot, [{ round: 1.2, higher: 0.2, seconds: 2 }], context);
    const goal: Goal = { kind: 'followOrbit', pivot, path };
    const same: Command[] = [];
    for (let i = 1; i <= 30; i++) same.push({ kind: 'orbit', dx: (-1.2 / 30 / Math.PI) * 1000, dy: (0.2 / 30 / Math.PI) * 1000, mode: 'turntable', pivot });
    expect(value(goal, 'orbitPath', same)).toBeLessThan(0.002);
    expect(value(goal, 'orbitWorst', same)).toBeLessThan(0.01);
    expect(value(goal, 'orbitSweep', same)).toBeLessThan(0.002);
    expect(value(goal, 'pivotDrift', same)).toBeLessThan(1e-9);
    expect(value(goal, 'pivotDrift', [...same, { kind: 'pan', dx: 200, dy: 0 }])).toBeCloseTo(0.2, 6);
    expect(value(goal, 'orbitPath', [])).toBeGreaterThan(0.4);
  });

  it('a frame is filled by fitting with its margin; half as large it is a half off', () => {
    const goal: Goal = { kind: 'frameIt', subject: [], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } };
    const fit: Command = { kind: 'fit', what: 'all', margin: 0.1 };
    expect(value(goal, 'margin', [fit])).toBeLessThan(0.02);
    expect(value(goal, 'fill', [fit])).toBeLessThan(1e-9);
    expect(value(goal, 'clipped', [fit])).toBe(0);
    expect(value(goal, 'hiddenShare', [fit])).toBe(0);
    expect(value(goal, 'clipped', [fit, { kind: 'pan', dx: 1600, dy: 0 }])).toBeGreaterThan(0.9);
    const knob: Goal = { ...goal, subject: ['knob'] };
    expect(value(knob, 'hiddenShare', [{ kind: 'standard', name: 'rear' }])).toBe(1);
  });

  it('a cut: its angle, place, side and match, each by itself', () => {
    const plane = { normal: [0, 0, 1] as const, offset: 0.3 };
    const goal: Goal = { kind: 'cutToReveal', plane, reveal: [] };
    const cut = (normal: readonly [number, number, number], offset: number): Command => ({ kind: 'section', plane: { normal, offset } });
    expect(scoreOf(goal, cut([0, 0, 1], 0.3))).toBe(100);
    expect(value(goal, 'sectionOffset', [cut([0, 0, 1], 0.53)])).toBeCloseTo(0.2, 6);
    expect(value(goal, 'sectionSide', [cut([0, 0, -1], -0.3)])).toBe(1);
    expect(value(goal, 'sectionAngle', [cut([0, Math.sin(0.3), Math.cos(0.3)], 0.5)])).toBeCloseTo(0.3, 9);
    expect(value(goal, 'sectionOverlap', [cut([0, 0, 1], 0.2)])).toBeCloseTo(0, 5);
    // At 1.1 m only the lid is cut: 2.1 x 1.3 against the crate's 2 x 1.2.
    expect(value(goal, 'sectionOverlap', [cut([0, 0, 1], 1.1)])).toBeCloseTo(1 - (2 * 1.2) / (2.1 * 1.3), 4);
    expect(value(goal, 'sectionAngle', [])).toBeNull();
  });

  it('parts to reveal: behind the front they are unseen, cut free they are seen', () => {
    const goal: Goal = { kind: 'cutToReveal', plane: null, reveal: ['crate'] };
    const covered = { ...start, visibility: {} };
    expect(initialScene(covered.view)).toBeDefined();
    expect(value(goal, 'revealed', [{ kind: 'standard', name: 'top' }])).toBeNull();
    expect(
      value(goal, 'revealed', [
        { kind: 'standard', name: 'top' },
        { kind: 'section', plane: { normal: [0, 0, 1], offset: 0.9 } },
      ]),
    ).toBe(0);
  });
});

describe('several steps', () => {
  it('weights of all steps count together; a step not reached earns nothing', () => {
    const two = exerciseOf(matching(right(0.5)), matching(right(1)));
    const both = scoreAttempt(two, crate, attempt([right(0.5), right(0.5)], [{ t: 1.5, kind: 'stepDone', step: 0 }]));
    expect(both.score).toBe(100);
    expect(both.steps.map((s) => s.seconds)).toEqual([0.5, 1]);
    const first = scoreAttempt(two, crate, attempt([right(0.5)]));
    expect(first.steps.map((s) => s.score)).toEqual([100, 0]);
    // In the second step nothing is gained and nothing lost.
    const toGain = first.steps.map((s) => s.criteria.reduce((sum, c) => sum + c.weight * (1 - c.startPoints), 0)) as [number, number];
    expect(first.score).toBeCloseTo((100 * toGain[0]) / (toGain[0] + toGain[1]), 9);
  });
});

describe('advice', () => {
  const adviceOn = (goal: Goal, id: CriterionId, scheme: typeof TWO_BUTTON_MOUSE, ...commands: readonly Command[]): string =>
    adviceOf(exerciseOf(goal).steps[0] as ReturnType<typeof exerciseOf>['steps'][number], crate, after(...commands), scheme).find((r) => r.criterion === id)
      ?.sentence ?? '';

  it('says the eye’s way and the hand’s, in the scheme’s own gestures', () => {
    const goal = matching(right(0.5));
    expect(adviceOn(goal, 'direction', TWO_BUTTON_MOUSE)).toBe('Go 29° round to the right: drag left.');
    expect(adviceOn(goal, 'direction', KEYBOARD_ALONE)).toBe('Go 29° round to the right: press right arrow.');
    expect(adviceOn(goal, 'direction', SIX_AXIS_PUCK)).toBe('Go 29° round to the right: twist the puck clockwise.');
    expect(adviceOn(matching({ kind: 'zoom', factor: 2 }), 'size', TWO_BUTTON_MOUSE)).toMatch(/^It is \d+ % too small: turn the wheel forward\.$/);
    expect(adviceOn(goal, 'roll', TWO_BUTTON_MOUSE, right(0.5))).toBe('');
  });

  it('mirrored input mirrors the advice', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 1.2, noNaN: true }), fc.double({ min: 30, max: 300, noNaN: true }), (angle, dx) => {
        const mirrored = (text: string): string => text.replace(/left|right/g, (w) => (w === 'left' ? 'right' : 'left'));
        const a = adviceOn(matching(right(angle)), 'direction', TWO_BUTTON_MOUSE);
        const b = adviceOn(matching(right(-angle)), 'direction', TWO_BUTTON_MOUSE);
        const c = adviceOn(matching({ kind: 'pan', dx, dy: 0 }), 'placement', TWO_BUTTON_MOUSE);
        const d = adviceOn(matching({ kind: 'pan', dx: -dx, dy: 0 }), 'placement', TWO_BUTTON_MOUSE);
        // "right-drag" names a button, not a way.
        const way = (text: string): string => text.replace('right-drag', 'slide');
        return mirrored(a) === b && mirrored(way(c)).replace(/[\d.]+/g, '') === way(d).replace(/[\d.]+/g, '');
      }),
      { numRuns: 30 },
    );
  });
});

it('slips are counted by gesture and cost no points', () => {
  const exercise = exerciseOf({ kind: 'matchView', target: start, subject: [] });
  const slip = (t: number, gesture: string) => ({ t, kind: 'slip' as const, step: 0, gesture, wanted: 'pan' });
  const plain = scoreAttempt(exercise, crate, attempt([{ kind: 'zoom', factor: 1.1 }]));
  const slipped = scoreAttempt(
    exercise,
    crate,
    attempt([{ kind: 'zoom', factor: 1.1 }], [slip(0.5, 'middle drag'), slip(0.6, 'left drag'), slip(0.7, 'middle drag')]),
  );
  expect(slipped.slips).toEqual([
    { gesture: 'middle drag', wanted: 'pan', times: 2 },
    { gesture: 'left drag', wanted: 'pan', times: 1 },
  ]);
  expect(slipped.score).toBe(plain.score);
  expect(plain).not.toHaveProperty('slips');
});
