import { describe, expect, it } from 'vitest';
import { GOAL_KINDS } from '../goals';
import { BUILT_IN_SCHEMES, THREE_BUTTON_MOUSE, TWO_BUTTON_MOUSE } from '../input';
import { gatherEvidence, scoreAttempt } from '../scoring';
import { simulateAttempt, slipping } from '../simulation';
import { GOALS } from '../tests/goals';
import { attempt, crate, exerciseOf } from '../tests/practice';
import type { Move, Trace, TraceEvent } from '../trace';
import { judgedAt, sampleTimes } from './curves';
import { foldingOf } from './folding';
import type { Moment, MomentKind } from './moment';
import { momentsOf, mostTelling } from './moments';
import { momentWords } from './momentWords';
import { attemptPlayer } from './player';
import { promptsOf } from './prompts';

const CLEAN = { noise: 0.06, reaction: 0.4, corrections: 2, slips: 0 };
const exercises = GOAL_KINDS.flatMap((kind) => GOALS[kind].map((goal) => [kind, exerciseOf(goal, ...GOALS.frameIt.slice(0, 1))] as const));
const without = <T extends { history?: unknown }>({ history: _, ...rest }: T) => rest;

describe('what is shown at a moment', () => {
  it.each(exercises)('is the scene that is scored there: %s', (_, exercise) => {
    for (const [seed, scheme] of [
      [3, THREE_BUTTON_MOUSE] as const,
      [8, BUILT_IN_SCHEMES.find(({ family }) => family === 'keyboard') ?? TWO_BUTTON_MOUSE] as const,
    ]) {
      const trace = simulateAttempt(exercise, crate, scheme, { ...CLEAN, slips: 0.3 }, seed);
      const player = attemptPlayer(exercise.steps, crate, trace);
      const card = scoreAttempt(exercise, crate, trace);
      gatherEvidence(exercise.steps, crate, trace).forEach((evidence, step) => {
        if (!evidence) throw new Error('a simulated attempt reaches every step');
        const { from, to } = evidence.span;
        // A still step shows one scene after the other; it is judged by its answers.
        if (evidence.moves.length === 0) return;
        expect(without(player.at(to).scene)).toEqual(without(card.steps[step]?.scene ?? evidence.after));
        for (let i = 0; i <= 20; i++) {
          const t = Math.min(to, from + ((to - from) * i) / 20);
          const shown = player.at(t);
          expect(shown.step).toBe(step);
          expect(shown.scene.view).toEqual(evidence.viewAt(t));
        }
      });
    }
  });

  it('a look round is shown, and then the step begins again as it had begun', () => {
    const exercise = exerciseOf(...GOALS.matchView.slice(0, 1));
    const trace = attempt([turn(0.5), turn(0.5), turn(0.2)], [{ t: 2.5, kind: 'looked', step: 0 }]);
    const player = attemptPlayer(exercise.steps, crate, trace);
    const [looking, begun, after] = [2.4, 2.6, 3.5].map((t) => player.at(t).scene.view);
    expect(looking).not.toEqual(trace.start.view);
    expect(begun).toEqual(trace.start.view);
    expect(after).toEqual(attemptPlayer(exercise.steps, crate, attempt([turn(0.2)])).at(1.5).scene.view);
  });
});

describe('how close it was over time', () => {
  it.each(exercises)('ends at the values of the card: %s', (_, exercise) => {
    const trace = simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, { ...CLEAN, noise: 0.15 }, 5);
    const card = scoreAttempt(exercise, crate, trace);
    gatherEvidence(exercise.steps, crate, trace).forEach((evidence, i) => {
      const step = exercise.steps[i];
      if (!evidence || !step) return;
      const [end] = sampleTimes(evidence);
      expect(end).toBe(evidence.span.to);
      const judged = judgedAt(step, crate, evidence, end as number);
      for (const { id, value, points } of card.steps[i]?.criteria ?? []) {
        if (value === null) expect(judged[id]?.value).toBeNull();
        else expect(Math.abs((judged[id]?.value ?? Number.NaN) - value)).toBeLessThan(1e-9);
        expect(judged[id]?.points).toBeCloseTo(points, 9);
      }
    });
  });

  it('is sampled at the ends of gestures, of very many at evenly chosen ones, the ends of the step first', () => {
    const span = { opened: 0, from: 1, to: 3001, seconds: 3000 };
    const moves = Array.from({ length: 3000 }, (_, i) => ({ ...turn(0.01), t: i + 1 })).map(({ t, ...command }): Move => ({ t, command }));
    const times = sampleTimes({ span, moves, index: 0 }, 50);
    expect(times.slice(0, 2)).toEqual([3001, 1]);
    expect(times).toHaveLength(50);
    expect(new Set(times).size).toBe(50);
  });
});

describe('time without pauses', () => {
  const folding = foldingOf({
    moves: [],
    end: 40,
    events: [
      { t: 2, kind: 'begin' },
      { t: 10, kind: 'pause' },
      { t: 20, kind: 'resume' },
      { t: 30, kind: 'pause' },
    ],
  });
  it('leaves out what was paused and what came before the beginning', () => {
    expect(folding.seconds).toBe(18);
    expect(folding.folds).toEqual([
      { at: 8, seconds: 10 },
      { at: 18, seconds: 10 },
    ]);
    expect([1, 2, 10, 15, 20, 25].map(folding.toFolded)).toEqual([0, 0, 8, 8, 8, 13]);
  });
  it('and back again', () => {
    for (const t of [2, 5, 10, 20.5, 29]) expect(folding.fromFolded(folding.toFolded(t))).toBeCloseTo(t, 9);
  });
});

it('what was asked is told from when it was asked', () => {
  const exercise = exerciseOf(...GOALS.callView);
  const trace = simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, CLEAN, 4);
  const [evidence] = gatherEvidence(exercise.steps, crate, trace);
  const [step] = exercise.steps;
  if (!evidence || !step) throw new Error('one step');
  const prompts = promptsOf(step.goal, trace.seed, evidence);
  expect(prompts.map(({ prompt }) => prompt?.code)).toEqual(['call', 'call', 'call', 'call', 'allCalled']);
  expect(prompts.slice(1).map(({ t }) => t)).toEqual(trace.events.filter(({ kind }) => kind === 'answer').map(({ t }) => t));
});

const turn = (angle: number) => ({ kind: 'turn', axis: 'right', angle }) as const;
const left = (angle: number) => ({ kind: 'turn', axis: 'left', angle }) as const;

describe('moments, known', () => {
  // The target lies 1.1 to the left, and is larger.
  const exercise = exerciseOf(...GOALS.matchView.slice(0, 1));
  const found = (trace: Trace, kind: MomentKind, known = true): Moment[] =>
    momentsOf(exercise.steps, crate, trace, known).filter((moment) => moment.kind === kind);

  it('a turn that ends 10° farther from the target, and 15° from it, went the wrong way', () => {
    const [moment] = found(attempt([turn(0.7)]), 'wrongWay');
    expect(moment?.t).toBe(1);
    expect(moment?.kind === 'wrongWay' && moment.figures.turned.right).toBeCloseTo(0.7, 6);
    expect(moment?.kind === 'wrongWay' && moment.figures.target.right).toBeLessThan(-0.5);
    expect(found(attempt([turn(0.1)]), 'wrongWay')).toEqual([]);
    expect(found(attempt([left(0.5)]), 'wrongWay')).toEqual([]);
    // Who may not know the target does not hear of it.
    expect(found(attempt([turn(0.7)]), 'wrongWay', false)).toEqual([]);
  });

  it('the largest loss is the gesture that cost most, from 10 points on', () => {
    const moments = found(attempt([left(0.5), left(0.5), turn(0.9)]), 'largestLoss');
    expect(moments).toHaveLength(1);
    expect(moments[0]?.t).toBe(3);
    expect(moments[0]?.kind === 'largestLoss' && moments[0].figures.points).toBeGreaterThan(10);
    expect(found(attempt([turn(0.02)]), 'largestLoss')).toEqual([]);
  });

  it('lost is each time the subject is out of sight for a second', () => {
    const away = { kind: 'pan', dx: 3000, dy: 0 } as const;
    const back = { kind: 'pan', dx: -3000, dy: 0 } as const;
    const moments = found(attempt([away, { kind: 'roll', angle: 0 }, back, away, back], []), 'gotLost');
    // A second apart: the first time two, the second one.
    expect(moments.map((m) => Math.round(m.t * 1e6) / 1e6)).toEqual([1, 4]);
    expect(moments.map((m) => (m.kind === 'gotLost' ? Math.round(m.figures.seconds) : 0))).toEqual([2, 1]);
    expect(found(attempt([away, { kind: 'roll', angle: 0 }, back]), 'gotLost', false)).toHaveLength(1);
  });

  it('too far is past the target by more than earns anything, and back', () => {
    const zoom = (factor: number) => ({ kind: 'zoom', factor }) as const;
    const [moment] = found(attempt([zoom(8), zoom(1 / 4)]), 'tooFar');
    expect(moment?.kind === 'tooFar' && moment.figures.what).toBe('size');
    expect(moment?.t).toBe(1);
    // Not taken back, or not so far.
    expect(found(attempt([zoom(8), zoom(2)]), 'tooFar')).toEqual([]);
    expect(found(attempt([zoom(1.6), zoom(1 / 1.2)]), 'tooFar')).toEqual([]);
    const [past] = found(attempt([left(1 + 1.2), turn(1.2)]), 'tooFar');
    expect(past?.kind === 'tooFar' && past.figures.what).toBe('direction');
    expect(past?.kind === 'tooFar' && past.figures.by).toBeCloseTo(0.97, 2);
  });

  it('the longest stop is one of 5 s or more, pauses left out', () => {
    const trace = attempt([left(0.1), left(0.1), left(0.1)]);
    const at = (times: readonly number[], events: readonly TraceEvent[] = []): Trace => ({
      ...trace,
      moves: trace.moves.map((move, i) => ({ ...move, t: times[i] as number })),
      events: [{ t: 0, kind: 'begin' }, ...events, { t: 40, kind: 'handIn' }],
      end: 40,
    });
    const [stop, ...more] = found(at([1, 8, 20]), 'longStop');
    expect(more).toEqual([]);
    expect(stop?.kind === 'longStop' && stop.figures.seconds).toBe(12);
    expect([stop?.from, stop?.t]).toEqual([8, 20]);
    const pause: TraceEvent[] = [
      { t: 9, kind: 'pause' },
      { t: 19, kind: 'resume' },
    ];
    expect(found(at([1, 8, 20], pause), 'longStop')[0]?.t).toBe(8);
    expect(found(at([1, 5, 9]), 'longStop')).toEqual([]);
  });

  it('habits, hints and ends are the events', () => {
    const events: TraceEvent[] = [
      { t: 1.5, kind: 'slip', step: 0, gesture: 'right drag', wanted: 'pan' },
      { t: 1.6, kind: 'hint', step: 0, number: 0 },
    ];
    expect(momentsOf(exercise.steps, crate, attempt([left(0.1)], events), true).map(({ kind, t }) => [kind, t])).toEqual([
      ['oldHabit', 1.5],
      ['hint', 1.6],
      ['stepEnd', 2],
    ]);
  });

  it('a call answered with another view is a wrong answer', () => {
    const calls = exerciseOf({
      kind: 'callView',
      order: 'asGiven',
      calls: [
        { kind: 'standard', name: 'rear' },
        { kind: 'standard', name: 'top' },
      ],
    });
    const trace = attempt(
      [
        { kind: 'standard', name: 'rear' },
        { kind: 'standard', name: 'left' },
      ],
      [
        { t: 0.1, kind: 'shown', step: 0, call: 0 },
        { t: 1.2, kind: 'answer', step: 0, call: 0 },
        { t: 1.2, kind: 'shown', step: 0, call: 1 },
        { t: 2.2, kind: 'answer', step: 0, call: 1 },
      ],
    );
    const wrong = momentsOf(calls.steps, crate, trace, true).filter(({ kind }) => kind === 'wrongAnswer');
    expect(wrong.map(({ t, figures }) => [t, figures])).toEqual([[2.2, { what: 'call', number: 1 }]]);
  });

  it('the most telling is a loss before a stop, and an end where there is nothing else', () => {
    expect(mostTelling(momentsOf(exercise.steps, crate, attempt([left(1), turn(0.9)]), true))?.kind).toBe('largestLoss');
    expect(mostTelling(momentsOf(exercise.steps, crate, attempt([left(0.05)]), true))?.kind).toBe('stepEnd');
    // Of two the larger.
    expect(mostTelling(momentsOf(exercise.steps, crate, attempt([turn(0.3), turn(0.6)]), true))).toMatchObject({ kind: 'wrongWay', t: 2 });
  });
});

it('a wrong way is told by where the target lay, before or behind', () => {
  const told = (turned: number, target: number): string =>
    momentWords({
      kind: 'wrongWay',
      figures: { gesture: 'orbit', turned: { right: turned, higher: 0.1 }, target: { right: target, higher: 0 }, larger: 1, standing: false },
      t: 1,
      from: 0,
      step: 0,
    });
  expect(told(-Math.PI / 4, Math.PI / 6)).toBe('Turned 45° left while the target lay 30° right.');
  expect(told(Math.PI / 2, Math.PI / 6)).toBe('Turned 90° right, past the target, which lay 30° right.');
});

describe('simulated learners', () => {
  const SEEDS = 100;
  const exercise = exerciseOf(...GOALS.matchView.slice(0, 1));
  const simulated = (seed: number): Trace => simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, CLEAN, seed);

  /** A fault that is made before anything else, and taken back: gestures of a piece each, and how long it lasts. */
  function planted(trace: Trace, commands: readonly Move['command'][], rest: number): Trace {
    const at = (trace.moves[0]?.t ?? 0) - 0.01;
    const moves = commands.map((command, i): Move => ({ t: at + i * rest, command, gesture: { id: 9000 + i, device: 'mouse', binding: 'drag' } }));
    const later = <T extends { t: number }>(each: T): T => (each.t > at ? { ...each, t: each.t + commands.length * rest } : each);
    return { ...trace, moves: [...moves, ...trace.moves.map(later)], events: trace.events.map(later), end: trace.end + commands.length * rest };
  }

  const PLANTED = {
    wrongWay: (trace: Trace) =>
      planted(
        trace,
        [
          { kind: 'orbit', dx: -222, dy: 0, mode: 'turntable' },
          { kind: 'orbit', dx: 222, dy: 0, mode: 'turntable' },
        ],
        0.6,
      ),
    gotLost: (trace: Trace) =>
      planted(
        trace,
        [
          { kind: 'pan', dx: 3000, dy: 0 },
          { kind: 'pan', dx: -3000, dy: 0 },
        ],
        1.4,
      ),
    oldHabit: (trace: Trace) => slipping(trace, TWO_BUTTON_MOUSE, THREE_BUTTON_MOUSE, 1, trace.seed),
  } as const;

  it.each(['wrongWay', 'gotLost', 'oldHabit'] as const)('a planted fault is found in 95 of 100: %s', (kind) => {
    let found = 0;
    for (let seed = 0; seed < SEEDS; seed++) {
      if (momentsOf(exercise.steps, crate, PLANTED[kind](simulated(seed)), true).some((moment) => moment.kind === kind)) found++;
    }
    expect(found).toBeGreaterThanOrEqual(95);
  });

  it('of a clean attempt none is invented in 95 of 100', () => {
    let clean = 0;
    for (let seed = 0; seed < SEEDS; seed++) {
      const faults: readonly MomentKind[] = ['wrongWay', 'gotLost', 'tooFar', 'wrongAnswer', 'oldHabit', 'longStop'];
      if (!momentsOf(exercise.steps, crate, simulated(seed), true).some(({ kind }) => faults.includes(kind))) clean++;
    }
    expect(clean).toBeGreaterThanOrEqual(95);
  });
});
