import { describe, expect, it } from 'vitest';
import { type Exercise, startFor, startsOf } from '../exercise';
import { exerciseSchema } from '../exercise/exerciseSchema';
import { TWO_BUTTON_MOUSE } from '../input';
import { contextFor } from '../model';
import { apply, type Command } from '../navigation';
import { simulateAttempt } from '../simulation';
import { crate, exerciseOf, start } from '../tests/practice';
import { checkTrace } from '../trace';
import { anglesOf } from '../view';
import { examineExercise } from './examine';
import { scoreAttempt } from './scoreAttempt';

const DEG = Math.PI / 180;
const context = contextFor(crate, start);
const target = (...commands: Command[]) => ({ ...commands.reduce((scene, command) => apply(scene, command, context), start), history: start.history });
const made = exerciseOf({ kind: 'matchView', target: target({ kind: 'turn', axis: 'right', angle: 20 * DEG }), subject: [] });
const withVariants = (variants: Exercise['variants']): typeof made => ({ ...made, variants });
const roundOf = (exercise: typeof made, i: number): number => (anglesOf(startsOf(exercise)[i]?.view.orientation ?? [0, 0, 0, 1]).azimuth - 0) / DEG;

describe('attempts that begin otherwise', () => {
  it('turned: eight starts all round, level with the first, about the same place', () => {
    const turned = withVariants({ kind: 'turned' });
    expect(startsOf(turned)).toHaveLength(8);
    const first = anglesOf(start.view.orientation);
    startsOf(turned).forEach(({ view }, i) => {
      const { azimuth, elevation, roll } = anglesOf(view.orientation);
      expect(Math.cos(azimuth - first.azimuth - (i * Math.PI) / 4)).toBeCloseTo(1, 9);
      expect([elevation, roll]).toEqual([expect.closeTo(first.elevation, 9), expect.closeTo(first.roll, 9)]);
      expect([view.target, view.distance]).toEqual([start.view.target, start.view.distance]);
    });
  });

  it('mirrored: as far to the left as it was to the right', () => {
    const mirrored = withVariants({ kind: 'mirrored' });
    expect(roundOf(mirrored, 1)).toBeCloseTo(-roundOf(mirrored, 0), 9);
    expect(startsOf(mirrored)).toHaveLength(2);
  });

  it('the seed decides, each start as often as the others, and the same seed the same', () => {
    const turned = withVariants({ kind: 'turned' });
    const starts = startsOf(turned).map(({ view }) => JSON.stringify(view));
    const counts = starts.map(() => 0);
    for (let seed = 0; seed < 800; seed++) {
      const at = starts.indexOf(JSON.stringify(startFor(turned, seed * 2654435761).view));
      counts[at] = (counts[at] ?? 0) + 1;
    }
    for (const count of counts) expect(count).toBeGreaterThan(60);
    expect(startFor(turned, 7)).toEqual(startFor(turned, 7));
    expect(startFor(made, 7)).toBe(made.start);
  });

  it('a hand reaches the target from each, and another start is refused', () => {
    const several = withVariants({ kind: 'starts', starts: [target({ kind: 'turn', axis: 'up', angle: 0.5 }), target({ kind: 'zoom', factor: 0.5 })] });
    expect(exerciseSchema.safeParse(several).success).toBe(true);
    const learner = { noise: 0.01, reaction: 0.3, corrections: 5, slips: 0 };
    const seen = new Set<string>();
    for (const exercise of [several, withVariants({ kind: 'turned' })])
      for (let seed = 1; seed < 9; seed++) {
        const trace = simulateAttempt(exercise, crate, TWO_BUTTON_MOUSE, learner, seed);
        seen.add(JSON.stringify(trace.start.view));
        const rules = { allowed: exercise.allowed, partIds: new Set(['crate', 'lid', 'knob']), steps: 1, elapsed: null };
        expect(checkTrace(trace, { ...rules, start: startFor(exercise, trace.seed) })).toBeNull();
        expect(scoreAttempt(exercise, crate, trace).score).toBeGreaterThan(80);
        const other = startsOf(exercise).find(({ view }) => JSON.stringify(view) !== JSON.stringify(trace.start.view));
        if (other) expect(checkTrace(trace, { ...rules, start: other })?.code).toBe('start');
      }
    expect(seen.size).toBeGreaterThan(5);
  });

  it('none may be the target already', () => {
    const far = exerciseOf({ kind: 'matchView', target: target({ kind: 'turn', axis: 'right', angle: Math.PI / 2 }), subject: [] });
    expect(examineExercise(far, crate).faults).toEqual([]);
    expect(examineExercise({ ...far, variants: { kind: 'turned' } }, crate).faults).toMatchObject([
      { field: 'start', message: expect.stringContaining('number 3 of 8') },
    ]);
    expect(examineExercise(withVariants({ kind: 'turned' }), crate).faults).toEqual([]);
  });
});
