import { describe, expect, it } from 'vitest';
import { GOALS } from '../tests/goals';
import { crate, exerciseOf, start } from '../tests/practice';
import type { Goal } from './kinds';
import { storyPicture } from './storyPicture';

const pictureOf = (goal: Goal) => {
  const [step] = exerciseOf(goal).steps;
  if (!step) throw new Error('no step');
  return storyPicture(step, start, crate);
};

describe('the picture of a step', () => {
  it('is that of its target', () => {
    for (const goal of GOALS.matchView) expect(pictureOf(goal)).toEqual({ scene: goal.target, shows: 'target' });
  });

  it('is the first that its stage shows', () => {
    const [goal] = GOALS.whichWay;
    expect(pictureOf(goal as Goal)).toMatchObject({ scene: { view: goal?.questions[0] }, shows: 'asked' });
  });

  it('picks the subject where the exercise begins', () => {
    const goal: Goal = { ...(GOALS.frameIt[0] as (typeof GOALS.frameIt)[number]), subject: ['knob'] };
    expect(pictureOf(goal)).toEqual({ scene: { ...start, selection: { parts: ['knob'] } }, shows: 'subject' });
  });

  it('is where it begins if there is nothing else to see', () => {
    for (const goal of [...GOALS.followOrbit, ...GOALS.measureIt]) expect(pictureOf(goal)).toEqual({ scene: start, shows: 'start' });
  });
});
