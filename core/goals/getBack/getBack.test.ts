import { describe, expect, it } from 'vitest';
import { isRecovered, measuredOf } from '../../criteria';
import { partRound } from '../../geometry';
import { THREE_BUTTON_MOUSE } from '../../input';
import { isLost } from '../../measures';
import { subjectOf } from '../../model';
import type { Command } from '../../navigation';
import { scoreAttempt } from '../../scoring';
import { gatherEvidence } from '../../scoring/evidence';
import { simulateAttempt } from '../../simulation';
import { attempt, crate, exerciseOf, start } from '../../tests/practice';
import type { Trace, TraceEvent } from '../../trace';
import { anglesOf, eyeOf } from '../../view';
import { startOf } from '../ownStarts';
import { getBackAim } from './aim';
import { type GetBack, WAYS_TO_BE_LOST } from './kind';

const goalOf = (lost: GetBack['lost'], subject: string[] = []): GetBack => ({ kind: 'getBack', subject, lost });
const SEEDS = Array.from({ length: 60 }, (_, i) => i * 7919 + 3);

describe.each(WAYS_TO_BE_LOST)('lost: %s', (lost) => {
  const exercise = exerciseOf(goalOf(lost));
  const points = subjectOf(crate.mesh, []);

  it('is lost whatever the seed, and each time otherwise', () => {
    const views = SEEDS.map((seed) => {
      const scene = startOf(exercise, crate, seed, 0);
      const { view } = scene;
      const measured = measuredOf(getBackAim.aim(goalOf(lost), 'recover'), crate, scene, null);
      expect(isRecovered(measured), `seed ${seed}`).toBe(false);
      if (lost === 'inside') expect(partRound(crate.mesh, eyeOf(view)) >= 0 || isLost(view, points), `seed ${seed}`).toBe(true);
      if (lost === 'beyond') expect(isLost(view, points), `seed ${seed}`).toBe(true);
      if (lost === 'beneath') expect(anglesOf(view.orientation).elevation).toBeLessThan(0);
      if (lost === 'tiny') expect(measured.picture().filter((id) => id > 0).length, `seed ${seed}`).toBeLessThan(8);
      if (lost === 'upsideDown') expect(Math.abs(anglesOf(view.orientation).roll)).toBeGreaterThan(Math.PI / 2);
      expect(startOf(exercise, crate, seed, 0)).toEqual(scene);
      return JSON.stringify(view);
    });
    expect(new Set(views).size).toBe(SEEDS.length);
  });
});

describe('the time to get back', () => {
  const exercise = exerciseOf(goalOf('beyond'));
  const made = (moves: readonly (readonly [t: number, command: Command])[], end: number, events: readonly TraceEvent[] = []): Trace => ({
    ...attempt([]),
    seed: 5,
    moves: moves.map(([t, command], i) => ({ t, command, gesture: { id: i, device: 'mouse', binding: 'test' } })),
    events: [{ t: 1, kind: 'begin' }, ...events, { t: end, kind: 'handIn' }],
    end,
  });
  const value = (trace: Trace) => scoreAttempt(exercise, crate, trace).steps[0]?.criteria.find(({ id }) => id === 'recoverTime')?.value;
  const away: Command = { kind: 'pan', dx: 9000, dy: 0 };

  it('runs from the beginning of the step to the view that stays for a second', () => {
    expect(value(made([[3.5, { kind: 'home' }]], 9))).toBeCloseTo(2.5, 9);
    expect(
      value(
        made(
          [
            [3, { kind: 'home' }],
            [3.5, away],
            [7, { kind: 'home' }],
          ],
          9,
        ),
      ),
    ).toBeCloseTo(6, 9);
    expect(
      value(
        made(
          [
            [3, { kind: 'home' }],
            [4.2, away],
          ],
          9,
        ),
      ),
    ).toBeCloseTo(2, 9);
  });

  it('has no value where it is never back, or for less than a second', () => {
    expect(value(made([], 9))).toBeNull();
    expect(
      value(
        made(
          [
            [3, { kind: 'home' }],
            [3.4, away],
          ],
          9,
        ),
      ),
    ).toBeNull();
    expect(value(made([[8.7, { kind: 'home' }]], 9))).toBeCloseTo(7.7, 9);
  });

  it('leaves pauses out', () => {
    const paused: TraceEvent[] = [
      { t: 2, kind: 'pause' },
      { t: 5, kind: 'resume' },
    ];
    expect(value(made([[6, { kind: 'home' }]], 9, paused))).toBeCloseTo(2, 9);
  });

  it('is not met by a subject that is hidden, rolled, or too small', () => {
    const lid = exerciseOf(goalOf('beyond', ['lid']));
    const of = (...commands: Command[]) =>
      scoreAttempt(
        lid,
        crate,
        made(
          commands.map((command, i) => [2 + i, command] as const),
          9,
        ),
      ).steps[0]?.criteria.find(({ id }) => id === 'recoverTime')?.value;
    expect(of({ kind: 'home' })).not.toBeNull();
    expect(of({ kind: 'home' }, { kind: 'show', parts: ['lid'], state: 'hidden' })).toBeCloseTo(1, 9);
    expect(of({ kind: 'show', parts: ['lid'], state: 'hidden' }, { kind: 'home' })).toBeNull();
    expect(of({ kind: 'roll', angle: 1 }, { kind: 'fit', what: 'all' })).toBeNull();
    expect(of({ kind: 'home' }, { kind: 'zoom', factor: 0.1 })).toBeCloseTo(1, 9);
    expect(of({ kind: 'zoom', factor: 0.1 }, { kind: 'pan', dx: 1, dy: 0 })).toBeNull();
  });
});

describe('steps that begin lost', () => {
  const two = exerciseOf(goalOf('beyond'), goalOf('upsideDown'));
  const trace = simulateAttempt(two, crate, THREE_BUTTON_MOUSE, { noise: 0.02, reaction: 0.3, corrections: 3, slips: 0 }, 11);

  it('begin in their own scenes, whatever was done before', () => {
    const [first, second] = gatherEvidence(two.steps, crate, trace);
    expect(first?.before).toEqual(startOf(two, crate, 11, 0));
    expect(second?.before).toEqual(startOf(two, crate, 11, 1));
    expect(second?.before.view).not.toEqual(first?.after.view);
    expect(second?.sceneAfter(-1)).toEqual(second?.before);
    expect(second?.viewAt(second.span.opened)).toEqual(second?.before.view);
  });

  it('a reset goes back to where one was lost, and the way back is no way out', () => {
    for (const kind of ['reset', 'back'] as const) {
      const lost = exerciseOf(goalOf('upsideDown'));
      const card = scoreAttempt(lost, crate, { ...attempt([{ kind: 'zoom', factor: 1.1 }, { kind }, { kind: 'back' }]), seed: 11 });
      expect(card.score, kind).toBe(0);
    }
  });

  it('a sure hand earns more than a clumsy one', () => {
    const mean = (slips: number, reaction: number): number =>
      SEEDS.slice(0, 20).reduce(
        (sum, seed) =>
          sum + scoreAttempt(two, crate, simulateAttempt(two, crate, THREE_BUTTON_MOUSE, { noise: slips / 2, reaction, corrections: 1, slips }, seed)).score,
        0,
      ) / 20;
    const [sure, middling, clumsy] = [mean(0, 0.4), mean(0.2, 2), mean(0.45, 6)];
    expect(sure).toBeGreaterThan(90);
    expect(sure).toBeGreaterThan(middling + 2);
    expect(middling).toBeGreaterThan(clumsy + 5);
  });
});

it('the start of an exercise without lost steps is its own', () => {
  const exercise = exerciseOf({ kind: 'frameIt', subject: [], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } });
  expect(startOf(exercise, crate, 4, 0)).toBe(exercise.start);
  expect(exercise.start).toEqual(start);
});
