import { describe, expect, it } from 'vitest';
import { forTrainee } from '../../exercise';
import { alikeViews, samePicture, shapePicture } from '../../measures';
import { initialScene } from '../../navigation';
import { examineExercise, scoreAttempt } from '../../scoring';
import { GOALS } from '../../tests/goals';
import { meanScore } from '../../tests/meanScore';
import { attempt, crate, exerciseOf, start } from '../../tests/practice';
import type { Trace, TraceEvent } from '../../trace';
import { orientationFrom, standardOrientation, type View } from '../../view';
import { startOf } from '../ownStarts';
import { questionScene } from './aim';
import type { WhichWay } from './kind';
import { whichWayTask } from './task';

const DEGREE = Math.PI / 180;
const from = (azimuth: number, elevation = 0): View => ({ ...crate.home, orientation: orientationFrom({ azimuth, elevation, roll: 0 }) });
const goalOf = (questions: readonly View[], ask: WhichWay['ask'] = 'side', part?: string): WhichWay => ({
  kind: 'whichWay',
  questions: [...questions],
  ask,
  ...(part === undefined ? {} : { part }),
});
const answered = (ways: readonly (readonly [azimuth: number, elevation: number] | null)[], shown = ways.length): Trace => {
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }];
  ways.forEach((way, call) => {
    if (call < shown) events.push({ t: 10 * call, kind: 'shown', step: 0, call });
    if (way) events.push({ t: 10 * call + 4, kind: 'answer', step: 0, call, azimuth: way[0], elevation: way[1] });
  });
  const end = 10 * ways.length;
  return { ...attempt([]), events: [...events, { t: end, kind: 'handIn' }], end };
};
const values = (goal: WhichWay, trace: Trace) =>
  Object.fromEntries((scoreAttempt(exerciseOf(goal), crate, trace).steps[0]?.criteria ?? []).map(({ id, value }) => [id, value]));
const adviceOf = (goal: WhichWay, trace: Trace) =>
  scoreAttempt(exerciseOf(goal), crate, trace).steps[0]?.criteria.find(({ id }) => id === 'wrongAnswers')?.advice;

describe('answers', () => {
  const goal = goalOf([from(0.5), from(-2, 0.1)], 'side and height');

  it('are measured by the angle between directions, and by the standard view that is nearest', () => {
    const made = values(
      goal,
      answered([
        [0.5 + 20 * DEGREE, 0],
        [-2, 0.1 - 10 * DEGREE],
      ]),
    );
    expect(made.facingError).toBeCloseTo(15 * DEGREE, 9);
    expect(made.answerTime).toBeCloseTo(4, 9);
    // 28.6 + 20 degrees is nearer to front right (45) than to the front, as 28.6 is.
    expect(made.wrongAnswers).toBe(0);
  });

  it('one that is missing counts half a turn', () => {
    const made = values(goal, answered([[0.5, 0], null]));
    expect(made.facingError).toBeCloseTo(Math.PI / 2, 9);
    expect(made.wrongAnswers).toBe(0.5);
    expect(adviceOf(goal, answered([null, null]))).toMatchObject({ code: 'unanswered', figures: { count: 2 } });
  });

  it('one to a view that was never shown, or without a direction, is none', () => {
    expect(
      values(
        goal,
        answered(
          [
            [0.5, 0],
            [-2, 0.1],
          ],
          1,
        ),
      ).wrongAnswers,
    ).toBe(0.5);
    const trace = answered([[0.5, 0], null]);
    const bare: Trace = { ...trace, events: trace.events.map((event) => (event.kind === 'answer' ? { t: event.t, kind: 'answer', step: 0, call: 0 } : event)) };
    expect(values(goal, bare).wrongAnswers).toBe(1);
  });

  it('where only the side is asked, the height is that of the view', () => {
    expect(values(goalOf([from(-2, 0.9)]), answered([[-2, 0]])).facingError).toBeCloseTo(0, 9);
  });

  it('a mirror picture is told from a side beside it, and from the opposite', () => {
    const one = goalOf([from(45 * DEGREE)]);
    expect(adviceOf(one, answered([[-45 * DEGREE, 0]]))).toMatchObject({
      code: 'wrongWay',
      figures: { question: 1, seenFrom: 'front-right', mistake: 'mirrored' },
    });
    expect(adviceOf(one, answered([[-135 * DEGREE, 0]]))).toMatchObject({ figures: { mistake: 'behind' } });
    expect(adviceOf(one, answered([[95 * DEGREE, 0]]))).toMatchObject({ figures: { mistake: 'off', error: 50 * DEGREE } });
  });

  it('the clock runs from the showing, though nothing moves', () => {
    expect(
      scoreAttempt(
        exerciseOf(goal),
        crate,
        answered([
          [0.5, 0],
          [-2, 0.1],
        ]),
      ).steps[0]?.seconds,
    ).toBeCloseTo(20, 9);
  });
});

describe('the task', () => {
  it('waits for the learner, takes one answer a view, and writes each down', () => {
    const goal = goalOf([from(0), from(1)]);
    let step = whichWayTask.next(goal, whichWayTask.begin(goal, 1), { t: 0, scene: start });
    const does = (input: object) => {
      step = whichWayTask.next(goal, step.state, { t: 1, scene: start, ...input });
      return step.events;
    };
    expect(does({ answer: { azimuth: 1, elevation: 0 } })).toEqual([]);
    expect(does({ confirm: true })).toEqual([{ kind: 'shown', call: 0 }]);
    expect(step.prompt).toMatchObject({ code: 'way', number: 1, count: 2, shown: true });
    expect(does({ answer: { azimuth: 1, elevation: 0 } })).toEqual([
      { kind: 'answer', call: 0, azimuth: 1, elevation: 0 },
      { kind: 'shown', call: 1 },
    ]);
    expect(does({ answer: { azimuth: 2, elevation: 0 } })).toEqual([{ kind: 'answer', call: 1, azimuth: 2, elevation: 0 }]);
    expect(step.done).toBe(true);
    expect(does({ answer: { azimuth: 2, elevation: 0 } })).toEqual([]);
  });
});

describe('what is shown', () => {
  it('is the view itself, with the part alone; what follows begins anew, and nothing of it is in a browser that may not know', () => {
    const goal = goalOf([from(0.7), from(-0.7)], 'side', 'knob');
    const exercise = { ...exerciseOf(goal, ...GOALS.matchView), showTarget: false };
    expect(startOf(exercise, crate, 7, 0)).toEqual(questionScene(goal, crate, 0));
    expect(startOf(exercise, crate, 7, 0)).toMatchObject({ view: goal.questions[0], visibility: { lid: 'hidden' } });
    expect(startOf(exercise, crate, 7, 1)).toEqual(exercise.start);
    const told = forTrainee(exercise);
    expect(told.steps[0]?.goal).toEqual({ kind: 'whichWay', count: 2, ask: 'side', part: 'knob' });
    expect(startOf(told, crate, 7, 0)).toEqual(exercise.start);
    expect(startOf(told, crate, 7, 1)).toEqual(exercise.start);
  });
});

describe('what is ambiguous', () => {
  it('the front and the rear of a box have the same outline, its front and its right side have not', () => {
    const pairs = alikeViews(crate.mesh, crate.home, []).map(({ a, b }) => `${a} ${b}`);
    expect(pairs).toContain('front rear');
    expect(pairs).not.toContain('front right');
  });

  it('two views with one picture cannot both be asked; parts of one shape look the same', () => {
    const twice = (a: View, b: View): boolean => samePicture(shapePicture(crate.mesh, initialScene(a)), shapePicture(crate.mesh, initialScene(b)));
    expect(twice(from(0.4), from(0.4))).toBe(true);
    expect(twice(from(0.4), from(-0.4))).toBe(false);
    const faults = (goal: WhichWay) => examineExercise(exerciseOf(goal), crate).faults.map(({ message }) => message);
    expect(faults(goalOf([from(0.4), from(0.4)]))).toEqual([expect.stringContaining('questions 1 and 2 show the same picture')]);
    expect(faults(goalOf([from(0.4, 1.5)]))).toEqual([expect.stringContaining('there is no side')]);
    expect(faults(goalOf([from(0.4, 1.5)], 'side and height'))).toEqual([]);
    expect(faults(goalOf([{ ...from(0.4), target: [99, 0, 0] }]))).toEqual([expect.stringContaining('question 1 shows nothing')]);
    expect(faults(goalOf([from(0.4)], 'side', 'gone'))).toEqual([expect.stringContaining('no part "gone"')]);
  });
});

it('a sure eye earns more than a clumsy one', () => {
  const exercise = exerciseOf(GOALS.whichWay[0] as WhichWay);
  const mean = (slips: number, noise: number): number => meanScore(exercise, { noise, reaction: 0.6, corrections: 1, slips });
  const [sure, middling, clumsy] = [mean(0, 0.03), mean(0.3, 0.15), mean(0.8, 0.4)];
  expect(sure).toBeGreaterThan(90);
  expect(sure).toBeGreaterThan(middling + 5);
  expect(middling).toBeGreaterThan(clumsy + 5);
});

it('standard orientations look from where they say', () => {
  const goal = goalOf([{ ...crate.home, orientation: standardOrientation('rear-left') }]);
  expect(values(goal, answered([[-135 * DEGREE, 0]])).facingError).toBeCloseTo(0, 9);
});
