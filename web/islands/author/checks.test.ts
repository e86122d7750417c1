import type { Exercise } from '@core/exercise';
import { defaultCriteria, kindById } from '@core/goals';
import { expect, it } from 'vitest';
import { checklist } from './checks';

const scene = { view: { eye: [0, 0, 5] }, section: null } as unknown as Exercise['start'];
const other = { ...scene, view: { eye: [0, 5, 0] } } as unknown as Exercise['start'];
const step = (target: Exercise['start'], brief: string, off = false): Exercise['steps'][number] => {
  const goal = { ...kindById('matchView').create(target), target } as Exercise['steps'][number]['goal'];
  return { id: brief, brief, skill: 'orbit', otherSkills: [], hints: [], goal, criteria: defaultCriteria(goal), ...(off ? { off: true } : {}) };
};
const missing = (change: Partial<Exercise>, how = { tried: false, published: false }): string[] =>
  checklist({ title: '', start: scene, steps: [], ...change } as unknown as Exercise, how).flatMap(({ words, done, missing: what }) =>
    done ? [] : [what ? `${words}: ${what}` : words],
  );

it('a new exercise lacks all but what its first step has; one that is ready nothing', () => {
  expect(missing({ steps: [step(scene, '')] })).toEqual([
    'A title',
    'What to do: step 1',
    'A target that is not the start: step 1',
    'Tried by yourself',
    'Published',
  ]);
  expect(missing({ title: 'Round', steps: [step(other, 'Go round')] }, { tried: true, published: false })).toEqual(['Published']);
  expect(missing({ title: 'Round', steps: [step(other, 'Go round')] }, { tried: false, published: true })).toEqual([]);
});

it('steps are named by their number, and those that are off are let be', () => {
  const steps = [step(other, 'One'), step(other, ' '), step(scene, '', true), step(other, ''), step(scene, 'Five')];
  expect(missing({ title: 'Round', steps })).toEqual(['What to do: steps 2 and 4', 'A target that is not the start: step 5', 'Tried by yourself', 'Published']);
  expect(missing({ title: ' ', steps: [step(scene, '', true)] })).toEqual(['A title', 'A step', 'Tried by yourself', 'Published']);
});
