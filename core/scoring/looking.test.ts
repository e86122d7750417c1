import { describe, expect, it } from 'vitest';
import type { Criterion } from '../criteria';
import { looksFirst } from '../goals';
import { contextFor } from '../model';
import { apply, type Command } from '../navigation';
import { attempt, crate, exerciseOf, start } from '../tests/practice';
import { checkTrace, type Trace, type TraceEvent } from '../trace';
import { scoreAttempt } from './scoreAttempt';

const right = (angle: number): Command => ({ kind: 'turn', axis: 'right', angle });
const context = contextFor(crate, start);
const after = (...commands: Command[]) => ({ ...commands.reduce((scene, command) => apply(scene, command, context), start), history: start.history });
const criteria: Criterion[] = [
  { id: 'direction', full: 0.05, zero: 0.5, weight: 3 },
  { id: 'time', full: 2, zero: 10, weight: 1 },
  { id: 'gestures', full: 1, zero: 5, weight: 1 },
  { id: 'detour', full: 0, zero: 5, weight: 1 },
  { id: 'lostTime', full: 0, zero: 5, weight: 1 },
];
/** Two steps: a turn to the right, and one more. */
const exercise = (() => {
  const made = exerciseOf({ kind: 'matchView', target: after(right(0.5)), subject: [] }, { kind: 'matchView', target: after(right(0.9)), subject: [] });
  return { ...made, steps: made.steps.map((step) => ({ ...step, criteria, freeLook: true as const })) };
})();
const rules = (looks: readonly number[]) => ({
  start,
  allowed: exercise.allowed,
  partIds: new Set(crate.mesh.parts.map(({ id }) => id)),
  steps: 2,
  looks: new Set(looks),
  elapsed: null,
});
const looked = (t: number, step: number): TraceEvent => ({ t, kind: 'looked', step });
const done = (t: number, step: number): TraceEvent => ({ t, kind: 'stepDone', step });
/** Moves come a second apart. */
const plain = attempt([right(0.5), right(0.4)], [done(1.5, 0)]);
const withLooks = attempt(
  [{ kind: 'dolly', metres: 40 }, right(2), right(0.5), { kind: 'zoom', factor: 5 }, right(1), right(0.4)],
  [looked(2.5, 0), done(3.5, 0), looked(5.5, 1)],
);

describe('looking round before a step', () => {
  it('counts for nothing: each step begins where it began, and its clock with what follows', () => {
    const [a, b] = [scoreAttempt(exercise, crate, plain), scoreAttempt(exercise, crate, withLooks)];
    expect(a.score).toBe(100);
    expect(b.score).toBe(100);
    const values = ({ steps }: typeof a) => steps.map((step) => Object.fromEntries(step.criteria.map(({ id, value }) => [id, value])));
    const [ours, theirs] = [values(b), values(a)];
    ours.forEach((step, i) => {
      for (const [id, value] of Object.entries(step)) expect(value, `${i} ${id}`).toBeCloseTo(theirs[i]?.[id] as number, 9);
    });
    expect(b.steps.map(({ scene }) => scene?.view)).toEqual(a.steps.map(({ scene }) => scene?.view));
  });

  it('with nothing after it nothing was done', () => {
    const only = attempt([right(0.5)], [looked(1.5, 0)]);
    expect(scoreAttempt(exercise, crate, only)).toMatchObject({ score: 0, steps: [{ seconds: 0 }, {}] });
    // Whoever does not look round, does the step at once.
    expect(scoreAttempt(exercise, crate, attempt([right(0.5)])).steps[0]?.score).toBe(100);
  });

  it('is refused where it is not offered, twice, of another step, or after something counted', () => {
    const refused = (trace: Trace, looks: readonly number[] = [0, 1]): string | null => checkTrace(trace, rules(looks))?.code ?? null;
    const tried = (...events: TraceEvent[]) => attempt([right(0.1), right(0.1), right(0.1)], events);
    expect(refused(withLooks)).toBeNull();
    expect(refused(withLooks, [0])).toBe('steps');
    expect(refused(withLooks, [])).toBe('steps');
    expect(refused(tried(looked(1.5, 0), looked(2.5, 0)))).toBe('steps');
    expect(refused(tried(looked(1.5, 1)))).toBe('steps');
    expect(refused(tried({ t: 1.2, kind: 'hint', step: 0, number: 0 }, looked(1.5, 0)))).toBe('steps');
    expect(refused(tried({ t: 1.2, kind: 'pick', step: 0, u: 0, v: 0 }, looked(1.5, 0)))).toBe('steps');
    expect(refused(tried(done(1.5, 0), looked(2.5, 0)))).toBe('steps');
  });

  it('is offered where moving is not what is asked about', () => {
    const offered = (kind: 'matchView' | 'whichWay' | 'getBack' | 'findIt'): boolean => looksFirst({ goal: { kind }, freeLook: true });
    expect([offered('matchView'), offered('findIt'), offered('whichWay'), offered('getBack')]).toEqual([true, true, false, false]);
    expect(looksFirst({ goal: { kind: 'matchView' } })).toBe(false);
  });
});
