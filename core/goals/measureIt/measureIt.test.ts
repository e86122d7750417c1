import { describe, expect, it } from 'vitest';
import type { FeaturePick } from '../../geometry';
import { examineExercise, scoreAttempt } from '../../scoring';
import { GOALS } from '../../tests/goals';
import { meanScore } from '../../tests/meanScore';
import { attempt, crate, exerciseOf, start } from '../../tests/practice';
import type { Move, PickMade, Trace, TraceEvent } from '../../trace';
import { FRAME_ASPECT, project } from '../../view';
import type { MeasureIt } from './kind';
import { measureItTask } from './task';

const [goal] = GOALS.measureIt as [MeasureIt];
const front: FeaturePick = { part: 'crate', point: [0.5, -0.6, 0.4], normal: [0, -1, 0], as: 'face' };
const lid: FeaturePick = { part: 'lid', point: [0, 0, 1.15], normal: [0, 0, 1], as: 'face' };
const knob: FeaturePick = { part: 'knob', point: [0, -0.75, 0.6], normal: [0, -1, 0], as: 'face' };
/** A pick as a hand makes it in the start scene, unless something else is said. */
const made = (pick: FeaturePick, change: Partial<PickMade> = {}): PickMade => {
  const { u, v } = project(start.view, pick.point, FRAME_ASPECT);
  return { ...pick, t: 2, u, v, ...change };
};
const measured = (...list: readonly { ask: string; a: PickMade; b?: PickMade }[]): Trace => {
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }, ...list.map((one, i) => ({ t: 3 + i, kind: 'measure' as const, step: 0, ...one }))];
  return { ...attempt([]), events: [...events, { t: 60, kind: 'handIn' }], end: 60 };
};
const values = (trace: Trace, of: MeasureIt = goal) =>
  Object.fromEntries((scoreAttempt(exerciseOf(of), crate, trace).steps[0]?.criteria ?? []).map(({ id, value }) => [id, value]));

describe('a measurement', () => {
  it('is computed again from what was picked: what is right is right, what was not measured counts 1', () => {
    expect(values(measured({ ask: 'lean', a: made(front), b: made(lid) }))).toMatchObject({ valueError: 0.5, wrongPicks: 0 });
    expect(values(measured())).toMatchObject({ valueError: 1, wrongPicks: 0 });
  });

  it('of other features is off by as much as its value is, and the last one counts', () => {
    const between: MeasureIt = { kind: 'measureIt', asks: [{ id: 'x', name: 'x', what: 'distance', a: front, b: knob }] };
    expect(values(measured({ ask: 'x', a: made(front), b: made(knob) }), between).valueError).toBeCloseTo(0, 6);
    // From the lid's front, 0.05 before the crate's, it is 0.1 and not 0.15.
    const other = made({ part: 'lid', point: [0.3, -0.65, 1.08], normal: [0, -1, 0], as: 'face' });
    expect(values(measured({ ask: 'x', a: other, b: made(knob) }), between)).toMatchObject({ valueError: expect.closeTo(1 / 3, 5), wrongPicks: 1 });
    const again = measured({ ask: 'x', a: other, b: made(knob) }, { ask: 'x', a: made(front), b: made(knob) });
    expect(values(again, between)).toMatchObject({ valueError: expect.closeTo(0, 6), wrongPicks: 1 });
  });

  it('that the screen did not allow is none', () => {
    const refused = (a: PickMade): void => expect(values(measured({ ask: 'lean', a, b: made(lid) }))).toMatchObject({ valueError: 1, wrongPicks: 1 });
    // The rear is behind the crate.
    refused(made({ part: 'lid', point: [0.3, 0.65, 1.08], normal: [0, 1, 0], as: 'face' }));
    // A point three pixels beside where it was picked.
    refused(made(front, { u: made(front).u + 3 / 400 }));
    // A feature of another part than the one that is seen there.
    refused(made({ ...front, part: 'lid' }));
    refused(made({ ...front, part: 'gone' }));
    // Picked after it was measured, or before the view that showed it.
    refused(made(front, { t: 40 }));
    const turned: Move = { t: 2.5, command: { kind: 'standard', name: 'rear' } };
    expect(values({ ...measured({ ask: 'lean', a: made(front, { t: 2.8 }), b: made(lid) }), moves: [turned] }).valueError).toBe(1);
    expect(values({ ...measured({ ask: 'lean', a: made(front), b: made(lid) }), moves: [turned] }).valueError).toBe(0.5);
    // Something that was not asked for.
    expect(values(measured({ ask: 'none', a: made(front), b: made(lid) }))).toMatchObject({ valueError: 1, wrongPicks: 1 });
  });
});

describe('the task', () => {
  it('writes each measurement down, and is done when all were made', () => {
    const begun = measureItTask.next(goal, measureItTask.begin(goal, 1), { t: 0, scene: start });
    const first = measureItTask.next(goal, begun.state, { t: 1, scene: start, measured: { ask: 'lean', a: made(front), b: made(lid) } });
    expect(first.events).toMatchObject([{ kind: 'measure', ask: 'lean' }]);
    expect(first).toMatchObject({ done: false, prompt: { measured: ['lean'], count: 2 } });
    const other = measureItTask.next(goal, first.state, { t: 1, scene: start, measured: { ask: 'none', a: made(front) } });
    expect(other.events).toEqual([]);
    const read = measureItTask.next(goal, first.state, { t: 1, scene: start, event: { t: 1, kind: 'measure', step: 0, ask: 'long', a: made(front) } });
    expect(read.done).toBe(true);
  });
});

describe('what cannot be measured', () => {
  const fault = (...asks: MeasureIt['asks']) => examineExercise(exerciseOf({ kind: 'measureIt', asks }), crate).faults.map(({ message }) => message)[0];
  const ask = (what: MeasureIt['asks'][number]['what'], a: FeaturePick, b?: FeaturePick): MeasureIt['asks'][number] => ({
    id: 'x',
    name: 'x',
    what,
    a,
    ...(b ? { b } : {}),
  });

  it('is told at the field', () => {
    expect(fault()).toContain('say what has to be measured');
    expect(fault(ask('diameter', { ...front, as: 'hole' }))).toContain('is not a hole or a round face');
    expect(fault(ask('diameter', front))).toContain('a diameter is of a hole');
    expect(fault(ask('distance', front))).toContain('needs a second pick');
    expect(fault(ask('distance', front, lid))).toContain('not parallel');
    expect(fault(ask('distance', front, front))).toContain('comes to nought');
    expect(fault(ask('spacing', front, lid))).toContain('between two holes');
    expect(fault(ask('angle', { ...front, as: 'point' }, lid))).toContain('no angle');
    expect(fault(ask('distance', { ...front, part: 'gone' }, lid))).toContain('no part "gone"');
    expect(fault(ask('angle', front, lid), ask('angle', front, lid))).toContain('called “x”');
    expect(fault(ask('angle', front, lid))).toBeUndefined();
  });
});

it('a sure hand earns more than a clumsy one', () => {
  const exercise = exerciseOf(goal);
  const mean = (slips: number): number => meanScore(exercise, { noise: 0.1, reaction: 0.5, corrections: 1, slips }, 16);
  const [sure, middling, clumsy] = [mean(0), mean(0.5), mean(1)];
  expect(sure).toBeGreaterThan(99);
  expect(sure).toBeGreaterThan(middling + 3);
  expect(middling).toBeGreaterThan(clumsy + 3);
});
