import { describe, expect, it } from 'vitest';
import { contextFor } from '../../model';
import { apply, type Command, type Scene } from '../../navigation';
import { judgeNow } from '../../scoring';
import { GOALS } from '../../tests/goals';
import { meanScore } from '../../tests/meanScore';
import { crate, exerciseOf, start } from '../../tests/practice';
import { eyeOf, orientationFrom } from '../../view';
import { defaultCriteria } from '..';
import { kindOf } from '../kinds';
import { standHereAim, viewFrom } from './aim';
import type { StandHere } from './kind';

const [goal] = GOALS.standHere as readonly [StandHere, ...StandHere[]];
const context = contextFor(crate, start);
const there = standHereAim.pictured(goal, start) as Scene;

/** Values of the live criteria, all of them asked for. */
function valuesAfter(...commands: readonly Command[]): Record<string, number | null> {
  const [step] = exerciseOf(goal).steps;
  if (!step) throw new Error('no step');
  const scene = commands.reduce((at, command) => apply(at, command, context), there);
  const all = {
    ...step,
    criteria: kindOf(goal)
      .criteria(goal)
      .map(({ standard: _, ...criterion }) => ({ ...criterion, weight: 1 })),
  };
  return Object.fromEntries(judgeNow(all, crate, scene).map(({ id, value }) => [id, value]));
}

describe('standing there', () => {
  it('has the eye at its place, and every value 0', () => {
    expect(eyeOf(viewFrom(goal)).map((x) => Math.round(x * 1e9) / 1e9)).toEqual([...goal.eye]);
    for (const id of ['eyePlace', 'eyeHeight', 'direction', 'roll', 'lens', 'verticals']) expect(valuesAfter()[id], id).toBeCloseTo(0, 9);
  });

  it('a step of 3 m ahead and 4 m aside is 5 m from the place; a rise of 0.4 m is 0.4 m too high', () => {
    const values = valuesAfter({ kind: 'walk', forward: 3, right: 4, dt: 1, onGround: true }, { kind: 'rise', metres: 0.4 });
    expect(values.eyePlace).toBeCloseTo(5, 9);
    expect(values.eyeHeight).toBeCloseTo(0.4, 9);
    expect(values.direction).toBeCloseTo(0, 9);
  });

  it('a look 0.2 up is 0.2 from the direction and from the level; the place stays', () => {
    const values = valuesAfter({ kind: 'look', yaw: 0, pitch: 0.2 });
    expect(values.direction).toBeCloseTo(0.2, 9);
    expect(values.verticals).toBeCloseTo(0.2, 9);
    expect(values.eyePlace).toBeCloseTo(0, 9);
  });

  it('twice the tangent of half the field of view is one octave', () => {
    expect(valuesAfter({ kind: 'fieldOfView', angle: 2 * Math.atan(2 * Math.tan(goal.fovY / 2)) }).lens).toBeCloseTo(1, 9);
  });

  it('looks the right way whatever stands before it: what is hidden hides no direction', () => {
    expect(valuesAfter({ kind: 'show', parts: ['crate', 'lid', 'knob'], state: 'hidden' }).direction).toBeCloseTo(0, 9);
  });
});

describe('what makes it impossible', () => {
  const rules = { allowed: exerciseOf(goal).allowed, start, skill: 'stand', given: null } as const;
  it('is told at its field', () => {
    const kind = kindOf(goal);
    expect(kind.faults(goal, rules, crate)).toEqual([]);
    expect(kind.faults(goal, { ...rules, allowed: ['orbit'] }, crate)).toMatchObject([{ field: 'allowed' }]);
    const up = { ...goal, orientation: orientationFrom({ azimuth: 0.3, elevation: 0.3, roll: 0 }) };
    expect(kind.faults(up, rules, crate)).toMatchObject([{ field: 'goal' }]);
    expect(kind.faults({ ...up, level: false }, rules, crate)).toEqual([]);
  });

  it('a level gaze is judged only where it is asked', () => {
    expect(defaultCriteria(goal).some(({ id }) => id === 'verticals')).toBe(true);
    expect(defaultCriteria({ ...goal, level: false }).some(({ id }) => id === 'verticals')).toBe(false);
  });
});

it('simulated learners do it, and score higher the surer they are', () => {
  const exercise = exerciseOf(goal);
  const mean = (noise: number, corrections: number): number => meanScore(exercise, { noise, reaction: 0.3, corrections, slips: 0 });
  const [sure, usual, clumsy] = [mean(0.01, 4), mean(0.5, 1), mean(0.8, 0)];
  expect(sure).toBeGreaterThan(95);
  expect(sure).toBeGreaterThan(usual);
  expect(usual).toBeGreaterThan(clumsy);
});
