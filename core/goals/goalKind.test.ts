import { describe, expect, it } from 'vitest';
import { GOALS } from '../tests/goals';
import { start } from '../tests/practice';
import type { GoalKind } from './goalKind';
import { criteriaFor, defaultCriteria, GOAL_KINDS, type Goal, goalSchema, kindById, kindOf, redactedGoalSchema } from './kinds';
import { taskOf } from './tasks';

interface Any {
  readonly kind: 'any';
}
const { redact: _, redactedSchema: _schema, ...withoutRedact } = kindById('frameIt');
// @ts-expect-error a kind that does not say what a hidden target may tell does not compile
const leaks: GoalKind<Any, Any> = withoutRedact as unknown as Omit<GoalKind<Any, Any>, 'redact'>;

it('a kind without redact does not compile', () => {
  expect(leaks).not.toHaveProperty('redact');
});

describe.each(GOAL_KINDS)('%s', (kind) => {
  const goals: readonly Goal[] = GOALS[kind];

  it('has words, data of its own shape, and criteria that can be weighed', () => {
    const { label, says, id } = kindById(kind);
    expect([id, label.length > 3, says.length > 10]).toEqual([kind, true, true]);
    for (const goal of [...goals, kindById(kind).create(start)]) {
      expect(goalSchema.parse(goal)).toEqual(goal);
      expect(defaultCriteria(goal).some((c) => c.weight > 0)).toBe(true);
      for (const { id: criterion } of defaultCriteria(goal)) expect(criteriaFor(goal).map((c) => c.id)).toContain(criterion);
    }
  });

  it('tells of a hidden target nothing but what its strict schema lets through, and its task runs on that', () => {
    for (const goal of goals) {
      const told = kindOf(goal).redact(goal, start);
      expect(redactedGoalSchema.parse(told)).toEqual(told);
      expect(redactedGoalSchema.safeParse({ ...told, target: start }).success).toBe(false);
      // None of the numbers of the target: those with digits behind the point are its own.
      const numbers = (value: unknown): string[] => JSON.stringify(value).match(/-?\d+\.\d{4,}/g) ?? [];
      const secret = new Set(numbers(goal));
      expect(numbers(told).filter((n) => secret.has(n))).toEqual([]);
      const task = taskOf(told);
      const asked = task.next(told, task.begin(told, 3), { t: 0, scene: start });
      expect(asked.events).toEqual([]);
    }
  });
});
