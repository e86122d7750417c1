import { expect, it } from 'vitest';
import type { Goal } from '../goals';
import { apply } from '../navigation';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import { FRAME } from '../view';
import { gathered } from './evidence';
import { scoreAttempt } from './scoreAttempt';
import { startValues } from './startValues';

const QUARTER = Math.PI / 2;
const turned = (angle: number) => apply(start, { kind: 'turn', axis: 'left', angle }, { frame: FRAME }).view;
const match = (angle: number): Goal => ({ kind: 'matchView', target: { ...start, view: turned(angle) }, subject: [] });
const valuesOf = (goals: readonly Goal[], ...[commands, events]: Parameters<typeof attempt>) => {
  const { steps } = exerciseOf(...goals);
  return startValues(steps, crate, gathered(steps, crate, attempt(commands, events)));
};

it('is how far each way was where the step began, whatever is done then', () => {
  const [still] = valuesOf([match(0.4)], []);
  const [moved] = valuesOf([match(0.4)], [{ kind: 'turn', axis: 'left', angle: 0.4 }]);
  expect(still?.get('direction')).toBeGreaterThan(0.3);
  expect(moved?.get('direction')).toBeCloseTo(still?.get('direction') as number, 12);
  expect(still?.get('roll')).toBeCloseTo(0, 9);
  expect([...(still?.keys() ?? [])].every((id) => ['direction', 'roll', 'placement', 'size'].includes(id))).toBe(true);
});

it('of a later step it is counted from where the one before was left; one that was not reached has none', () => {
  const commands = [{ kind: 'turn', axis: 'left', angle: QUARTER }] as const;
  const [, second] = valuesOf([match(0.4), match(QUARTER)], [...commands], [{ t: 1.5, kind: 'stepDone', step: 0 }]);
  expect(second?.get('direction')).toBeCloseTo(0, 6);
  const [, never] = valuesOf([match(0.4), match(QUARTER)], [...commands]);
  expect([...(never ?? [])]).toEqual([]);
});

it('a goal without a view to reach has none', () => {
  const [values] = valuesOf([{ kind: 'quickCalls', calls: [{ kind: 'home' }], rounds: 1, seconds: null }], []);
  expect([...(values ?? [])]).toEqual([]);
});

it('a card of a replay that is there already is the card', () => {
  const exercise = exerciseOf(match(0.4), match(QUARTER));
  const trace = attempt([{ kind: 'turn', axis: 'left', angle: 0.5 }], [{ t: 1.5, kind: 'stepDone', step: 0 }]);
  expect(scoreAttempt(exercise, crate, trace, null, gathered(exercise.steps, crate, trace))).toEqual(scoreAttempt(exercise, crate, trace));
});
