import { describe, expect, it } from 'vitest';
import { pivotDrift } from '../criteria';
import { PUCK_DESCRIPTOR, readMultiAxisReport, SIX_AXIS_PUCK, THREE_BUTTON_MOUSE } from '../input';
import { angleBetween, backOf } from '../math';
import { sparc } from '../measures';
import { contextFor } from '../model';
import { scoreAttempt } from '../scoring';
import { crate, exerciseOf, start } from '../tests/practice';
import { checkTrace } from '../trace';
import { traceSchema } from '../trace/traceSchema';
import { minimumJerkPath } from './minimumJerkPath';
import { simulateAttempt } from './simulateAttempt';
import { minimumJerk } from './simulatedHand';
import { simulatePuck } from './simulatePuck';
import { slipping } from './slipping';

const goal = { kind: 'matchView' as const, subject: [], target: { ...start, view: { ...start.view, orientation: [0.5, 0.5, 0.5, 0.5] as const } } };
const exercise = exerciseOf(goal);
const steady = { noise: 0.02, reaction: 0.3, corrections: 4, slips: 0 };

describe('minimum jerk', () => {
  it('begins and ends at rest, is half way at half time, and never goes back', () => {
    expect([0, 0.5, 1].map(minimumJerk)).toEqual([0, 0.5, 1]);
    const steps = Array.from({ length: 101 }, (_, i) => minimumJerk(i / 100));
    for (let i = 1; i <= 100; i++) expect(steps[i]).toBeGreaterThan(steps[i - 1] as number);
    expect(minimumJerk(0.01)).toBeLessThan(1e-5);
    expect(1 - minimumJerk(0.99)).toBeLessThan(1e-5);
  });

  it('its fastest moment is 15/8 of its mean (Flash & Hogan 1985)', () => {
    const speed = (minimumJerk(0.5005) - minimumJerk(0.4995)) / 0.001;
    expect(speed).toBeCloseTo(15 / 8, 4);
  });

  it('a path turns by what was asked, keeps its pivot in place and is smooth', () => {
    const pivot = [0.3, -0.2, 0.6] as const;
    const path = minimumJerkPath(start.view, pivot, [{ round: 1, higher: 0, seconds: 2 }], contextFor(crate));
    expect(path.at(-1)?.t).toBe(2);
    expect(
      pivotDrift(
        pivot,
        path.map((p) => p.view),
      ),
    ).toBeLessThan(1e-9);
    const speeds = path.slice(1).map((p, i) => angleBetween(backOf(p.view.orientation), backOf((path[i] as typeof p).view.orientation)) * 30);
    expect(sparc(speeds, 30)).toBeGreaterThan(-1.7);
  });
});

describe('simulated attempts', () => {
  it('are traces that the server would take, and the schema as well', () => {
    const trace = simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, steady, 9);
    expect(
      checkTrace(trace, { start, allowed: exercise.allowed, partIds: new Set(crate.mesh.parts.map((p) => p.id)), steps: 1, elapsed: trace.end }),
    ).toBeNull();
    expect(traceSchema.parse(JSON.parse(JSON.stringify(trace)))).toEqual(trace);
  });

  it('a steadier hand scores higher, over many tries', () => {
    const mean = (noise: number): number =>
      Array.from(
        { length: 12 },
        (_, seed) =>
          scoreAttempt(exercise, crate, simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, { noise, reaction: 0.4, corrections: 0, slips: 0 }, seed)).score,
      ).reduce((a, b) => a + b, 0) / 12;
    expect(mean(0.02)).toBeGreaterThan(mean(0.5) + 5);
  });

  it('a slower mind takes longer', () => {
    const seconds = (reaction: number): number => simulateAttempt(exercise, crate, THREE_BUTTON_MOUSE, { ...steady, reaction }, 3).end;
    expect(seconds(1.2)).toBeGreaterThan(seconds(0.2));
  });
});

it('a simulated puck eases into its stroke, presses its button and comes back to rest', () => {
  const reports = simulatePuck([{ axes: [0, 0, 0, 0, 0, 1], seconds: 1, buttons: [2] }], 60, 4);
  const twists = reports.flatMap((r) => {
    const value = readMultiAxisReport(PUCK_DESCRIPTOR, r).axes[5];
    return value === null || value === undefined ? [] : [value];
  });
  expect(twists[0]).toBeLessThan(0.1);
  expect(Math.max(...twists)).toBeGreaterThan(0.95);
  expect(twists.at(-1)).toBe(0);
  expect(reports.some((r) => readMultiAxisReport(PUCK_DESCRIPTOR, r).buttons?.includes(2))).toBe(true);
  expect(simulatePuck([{ axes: [1, 0, 0, 0, 0, 0], seconds: 0.2 }], 60, 4)).toEqual(simulatePuck([{ axes: [1, 0, 0, 0, 0, 0], seconds: 0.2 }], 60, 4));
});

describe('someone who comes from another scheme', () => {
  const made = simulateAttempt(exercise, crate, SIX_AXIS_PUCK, { ...steady, noise: 0.4 }, 9);
  const slips = (rate: number, seed = 4) => slipping(made, THREE_BUTTON_MOUSE, SIX_AXIS_PUCK, rate, seed).events.filter((event) => event.kind === 'slip');

  it('slips as often as the rate says, and the server would take it', () => {
    expect(slips(0)).toEqual([]);
    expect(slips(1).length).toBeGreaterThan(2);
    expect(slips(1)[0]).toMatchObject({ gesture: 'left drag', wanted: 'orbit' });
    const trace = slipping(made, THREE_BUTTON_MOUSE, SIX_AXIS_PUCK, 0.5, 4);
    expect(trace.moves).toEqual(made.moves);
    expect(traceSchema.safeParse(trace).success).toBe(true);
    expect(
      checkTrace(trace, { start, allowed: exercise.allowed, partIds: new Set(crate.mesh.parts.map((p) => p.id)), steps: 1, elapsed: trace.end }),
    ).toBeNull();
    expect(slips(0.5)).toEqual(slips(0.5));
  });

  it('does not slip where both schemes have the same gestures', () => {
    expect(slipping(made, THREE_BUTTON_MOUSE, THREE_BUTTON_MOUSE, 1, 4).events).toEqual(made.events);
  });
});
