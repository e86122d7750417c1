import { describe, expect, it } from 'vitest';
import { answers, madeBy, type QuickCall, quickOrder, quickResults } from '../../criteria';
import { KEYBOARD_ALONE } from '../../input';
import type { Command } from '../../navigation';
import { examineExercise, scoreAttempt } from '../../scoring';
import { gatherEvidence } from '../../scoring/evidence';
import { GOALS } from '../../tests/goals';
import { meanScore } from '../../tests/meanScore';
import { attempt, crate, exerciseOf, start } from '../../tests/practice';
import type { Move, Trace, TraceEvent } from '../../trace';
import type { TaskInput } from '../goalKind';
import { goalSchema } from '../kinds';
import type { QuickCalls } from './kind';
import { quickCallsTask } from './task';

const orbit = (dx: number, dy = 0): Command => ({ kind: 'orbit', dx, dy, mode: 'turntable' });
const right: QuickCall = { kind: 'orbit', dx: -1 };
const mouse = (id: number, binding = 'left drag') => ({ id, device: 'mouse' as const, binding });
const goalOf = (calls: QuickCalls['calls'], seconds: number | null = null): QuickCalls => ({ kind: 'quickCalls', calls, rounds: 1, seconds });

describe('what a gesture comes to', () => {
  it('is summed whole: a drag that begins the wrong way and ends the right one is right', () => {
    const made = madeBy([orbit(12), orbit(-40), orbit(-30)]);
    expect(made).toMatchObject({ kind: 'orbit', dx: -58 });
    expect(made && answers(right, made)).toBe(true);
    expect(made && answers({ kind: 'orbit', dx: 1 }, made)).toBe(false);
  });

  it('up to four pixels are tremor, also aside from the way that was gone', () => {
    expect(madeBy([orbit(-2), orbit(-2)])).toBeNull();
    expect(madeBy([orbit(-2), orbit(-3)])).not.toBeNull();
    const up = madeBy([orbit(-3, 80)]);
    expect(up && answers(right, up)).toBe(false);
    expect(up && answers({ kind: 'orbit', dy: 1 }, up)).toBe(true);
  });

  it('factors multiply, words are words, picking is nothing, turns by keys are orbits', () => {
    const made = (...commands: Command[]) => madeBy(commands) as QuickCall;
    expect(answers({ kind: 'zoom', factor: 2 }, made({ kind: 'zoom', factor: 0.9 }, { kind: 'zoom', factor: 1.3 }))).toBe(true);
    expect(answers({ kind: 'zoom', factor: 0.5 }, made({ kind: 'zoom', factor: 1.3 }))).toBe(false);
    expect(answers({ kind: 'standard', name: 'top' }, made({ kind: 'standard', name: 'top' }))).toBe(true);
    expect(answers({ kind: 'standard', name: 'top' }, made({ kind: 'standard', name: 'front' }))).toBe(false);
    expect(madeBy([{ kind: 'select', parts: ['lid'] }])).toBeNull();
    expect(answers(right, made({ kind: 'turn', axis: 'right', angle: 0.2 }))).toBe(true);
    expect(answers(right, made({ kind: 'turn', axis: 'left', angle: 0.2 }))).toBe(false);
    // Of a puck that does several things at once, the largest.
    expect(made(orbit(-80), { kind: 'pan', dx: 6, dy: 0 }, { kind: 'zoom', factor: 1.01 }).kind).toBe('orbit');
  });
});

describe('results', () => {
  const goal = goalOf([right, { kind: 'zoom', factor: 2 }], 3);
  const [first, second] = quickOrder(goal, 4).map((n) => goal.calls[n] as QuickCall) as [QuickCall, QuickCall];
  const commandFor = (call: QuickCall): Command => (call.kind === 'orbit' ? orbit(-60) : { kind: 'zoom', factor: 1.2 });
  const made = (moves: readonly Move[], shown: readonly number[], more: readonly TraceEvent[] = []): Trace => {
    const events = [
      { t: 0, kind: 'begin' as const },
      ...shown.map((t, call) => ({ t, kind: 'shown' as const, step: 0, call })),
      ...more,
      { t: 20, kind: 'handIn' as const },
    ];
    return { ...attempt([]), seed: 4, moves: [...moves], events: events.sort((a, b) => a.t - b.t), end: 20 };
  };
  const results = (trace: Trace) => {
    const [evidence] = gatherEvidence(exerciseOf(goal).steps, crate, trace);
    if (!evidence) throw new Error('a step');
    return quickResults(goal, evidence);
  };

  it('are the first gesture after each call, timed to its beginning', () => {
    const trace = made(
      [
        { t: 1.6, command: commandFor(first), gesture: mouse(1) },
        { t: 2.2, command: commandFor(first), gesture: mouse(1) },
        { t: 5, command: commandFor(first), gesture: mouse(2) },
        { t: 5.5, command: commandFor(second), gesture: mouse(3) },
      ],
      [1, 4],
    );
    const [one, two] = results(trace);
    expect(one).toMatchObject({ right: true });
    expect(one?.seconds).toBeCloseTo(0.6, 9);
    // The right one came after a wrong one: the first counts.
    expect(two).toMatchObject({ right: false });
    expect(two?.seconds).toBeCloseTo(1, 9);
    const criteria = scoreAttempt(exerciseOf(goal), crate, trace).steps[0]?.criteria;
    expect(criteria?.find((c) => c.id === 'wrongGestures')?.value).toBe(0.5);
    expect(criteria?.find((c) => c.id === 'reactionTime')?.value).toBeCloseTo(0.6, 9);
  });

  it('a gesture before its call, one that is still going on, or one that comes too late answers nothing', () => {
    const long = made(
      [0.5, 1.2].map((t) => ({ t, command: commandFor(first), gesture: mouse(1) })),
      [1, 9],
    );
    expect(results(long)[0]).toMatchObject({ made: null, right: false, seconds: null });
    const late = made([{ t: 4.2, command: commandFor(first), gesture: mouse(1) }], [1, 9]);
    expect(results(late)[0]).toMatchObject({ made: null, right: false });
    const paused = made(
      [{ t: 4.2, command: commandFor(first), gesture: mouse(1) }],
      [1, 9],
      [
        { t: 2, kind: 'pause' },
        { t: 3.5, kind: 'resume' },
      ],
    );
    expect(results(paused)[0]?.seconds).toBeCloseTo(1.7, 9);
  });

  it('nothing called is all wrong; fewer than half right have no reaction', () => {
    const none = scoreAttempt(exerciseOf(goal), crate, made([], [])).steps[0]?.criteria;
    expect(none?.map((c) => [c.id, c.value]).filter(([id]) => id === 'wrongGestures' || id === 'reactionTime')).toEqual(
      expect.arrayContaining([
        ['wrongGestures', 1],
        ['reactionTime', null],
      ]),
    );
  });

  it('what was never called is not told as wrong', () => {
    const trace = made([{ t: 1.5, command: { kind: 'home' }, gesture: mouse(1) }], [1]);
    expect(results(trace).map(({ called }) => called)).toEqual([true, false]);
    const criterion = (of: Trace) => scoreAttempt(exerciseOf(goal), crate, of).steps[0]?.criteria.find(({ id }) => id === 'wrongGestures');
    expect(criterion(trace)).toMatchObject({ value: 1, advice: { code: 'wrongGesture', figures: { call: first, made: { kind: 'home' }, count: 1 } } });
    expect(criterion(made([], []))).toMatchObject({ value: 1, advice: { code: 'notCalled', figures: { count: 2 } } });
  });

  it('name the habit that was tried instead', () => {
    const slip: TraceEvent = { t: 1.5, kind: 'slip', step: 0, gesture: 'right drag', wanted: 'orbit' };
    expect(results(made([{ t: 2, command: commandFor(first), gesture: mouse(1) }], [1], [slip]))[0]?.slip).toBe('right drag');
  });
});

describe('the task', () => {
  const goal = goalOf([right, right, right], 3);
  const run = (...inputs: readonly Partial<TaskInput>[]) => {
    let step = quickCallsTask.next(goal, quickCallsTask.begin(goal, 1), { t: 0, scene: start });
    const events = [];
    for (const input of inputs) {
      step = quickCallsTask.next(goal, step.state, { t: 0, scene: start, ...input });
      events.push(...step.events.map((event) => [input.t, event.kind, 'call' in event ? event.call : null] as const));
    }
    return { events, step };
  };

  it('waits for the learner, then for a gesture and a beat of rest', () => {
    const { events, step } = run(
      { t: 1, command: orbit(-90), gesture: mouse(1) },
      { t: 2, confirm: true },
      { t: 2.5, command: orbit(-20), gesture: mouse(2) },
      { t: 2.8 },
      { t: 2.95 },
    );
    expect(events).toEqual([
      [2, 'shown', 0],
      [2.95, 'answer', 0],
      [2.95, 'shown', 1],
    ]);
    expect(step.prompt).toMatchObject({ code: 'quick', number: 2, before: 'right' });
  });

  it('ticks of a wheel and a second gesture at once keep the hand from resting and answer nothing more', () => {
    const tick = (t: number, id: number) => ({ t, command: { kind: 'zoom', factor: 1.1 } as const, gesture: mouse(id, 'wheel') });
    const { events } = run(
      { t: 2, confirm: true },
      tick(2.5, 1),
      tick(2.7, 2),
      tick(2.9, 3),
      { t: 3.1 },
      { t: 3.2, command: orbit(-50), gesture: mouse(4) },
      { t: 3.4 },
      { t: 3.7 },
    );
    expect(events.filter(([, kind]) => kind === 'answer')).toEqual([[3.7, 'answer', 0]]);
  });

  it('a hand that rests in mid drag has answered: the rest of its drag is no answer to the next call', () => {
    const { events, step } = run(
      { t: 1, confirm: true },
      { t: 1.5, command: orbit(-20), gesture: mouse(1) },
      { t: 1.9 },
      { t: 2.2, command: orbit(-20), gesture: mouse(1) },
      { t: 2.7 },
      { t: 3, command: orbit(-20), gesture: mouse(2) },
      { t: 3.5 },
    );
    expect(events).toEqual([
      [1, 'shown', 0],
      [1.9, 'answer', 0],
      [1.9, 'shown', 1],
      [3.5, 'answer', 1],
      [3.5, 'shown', 2],
    ]);
    expect(step.prompt).toMatchObject({ before: 'right' });
  });

  it('tremor is nothing; a call that nobody answers is over when its time is', () => {
    const { events, step } = run({ t: 2, confirm: true }, { t: 2.5, command: orbit(-1), gesture: mouse(1) }, { t: 3 }, { t: 4.9 }, { t: 5 });
    expect(events.at(-1)).toEqual([5, 'shown', 1]);
    expect(step.prompt).toMatchObject({ before: 'late' });
    expect(step.again).toBe(8);
  });

  it('goes on where a broken-off attempt was', () => {
    const { step } = run({ t: 2, event: { t: 2, kind: 'shown', step: 0, call: 0 } }, { t: 4, event: { t: 4, kind: 'answer', step: 0, call: 0 } });
    expect(step.prompt).toMatchObject({ code: 'quick', number: 2, call: right });
  });
});

describe('what makes it impossible', () => {
  const exercise = exerciseOf(goalOf([{ kind: 'zoomRegion' }]));
  it('is told at its field', () => {
    expect(examineExercise(exerciseOf(GOALS.quickCalls[0] as QuickCalls), crate).faults).toEqual([]);
    expect(examineExercise({ ...exerciseOf(goalOf([right])), allowed: ['panZoom'] }, crate).faults).toMatchObject([{ field: 'allowed' }]);
    expect(examineExercise({ ...exercise, schemes: [KEYBOARD_ALONE.id] }, crate).faults).toMatchObject([{ field: 'steps.0.goal' }]);
    expect(goalSchema.safeParse({ ...goalOf(Array.from({ length: 20 }, () => right)), rounds: 6 }).success).toBe(false);
    expect(goalSchema.safeParse(goalOf([{ kind: 'fly' } as never])).success).toBe(false);
  });
});

it('every round calls all of them in an order of its own, and none twice in a row', () => {
  const list = { calls: [right, right, right, right], rounds: 5, seconds: null };
  for (let seed = 0; seed < 40; seed++) {
    const order = quickOrder(list, seed);
    expect(order).toHaveLength(20);
    for (let round = 0; round < 5; round++) expect([...order.slice(round * 4, round * 4 + 4)].sort()).toEqual([0, 1, 2, 3]);
    for (let i = 1; i < order.length; i++) expect(order[i]).not.toBe(order[i - 1]);
  }
});

it('a sure hand earns more than a clumsy one', () => {
  const exercise = exerciseOf(GOALS.quickCalls[0] as QuickCalls);
  const mean = (slips: number, reaction: number): number => meanScore(exercise, { noise: 0.1, reaction, corrections: 1, slips });
  const [sure, middling, clumsy] = [mean(0, 0.5), mean(0.25, 1.2), mean(0.7, 2.5)];
  expect(sure).toBeGreaterThan(95);
  expect(sure).toBeGreaterThan(middling + 5);
  expect(middling).toBeGreaterThan(clumsy + 5);
});
