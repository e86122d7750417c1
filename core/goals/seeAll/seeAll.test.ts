import { describe, expect, it } from 'vitest';
import { createSeenSoFar, measure, measuredOf, neverSeen } from '../../criteria';
import { drawDepths, drawIds, type Mesh, openParts, surfaceSamples } from '../../geometry';
import { angleBetween, exact, length, unit, type Vec3 } from '../../math';
import { evenDirections, lookFrom, SAMPLES, sideOf } from '../../measures';
import { defaultHome, type ScoredModel } from '../../model';
import { type Command, initialScene } from '../../navigation';
import { drafted, examineExercise, scoreAttempt, settled } from '../../scoring';
import { gatherEvidence } from '../../scoring/evidence';
import { meanScore } from '../../tests/meanScore';
import { boxes } from '../../tests/meshes';
import { attempt, crate, exerciseOf } from '../../tests/practice';
import type { Move, Trace } from '../../trace';
import { FRAME_ASPECT, fit, orientationFrom, type View } from '../../view';
import { liveProgress } from '../liveProgress';
import { seeAllAim } from './aim';
import type { SeeAll } from './kind';

const whole: SeeAll = { kind: 'seeAll', parts: [], sides: true, near: 0 };

/** A ball of radius 1 about the origin. */
function ball(): ScoredModel {
  const rings = 32;
  const positions: number[] = [];
  const indices: number[] = [];
  for (let i = 0; i <= rings; i++) {
    for (let j = 0; j < 2 * rings; j++) {
      const [a, b] = [(Math.PI * i) / rings, (Math.PI * j) / rings];
      positions.push(Math.sin(a) * Math.cos(b), Math.sin(a) * Math.sin(b), Math.cos(a));
    }
  }
  const at = (i: number, j: number): number => i * 2 * rings + (j % (2 * rings));
  for (let i = 0; i < rings; i++) {
    for (let j = 0; j < 2 * rings; j++) indices.push(at(i, j), at(i + 1, j), at(i + 1, j + 1), at(i, j), at(i + 1, j + 1), at(i, j + 1));
  }
  const mesh: Mesh = {
    positions: Float32Array.from(positions),
    indices: Uint32Array.from(indices),
    parts: [{ id: 'ball', name: 'ball', start: 0, count: indices.length, parent: null }],
  };
  return { mesh, home: defaultHome(mesh) };
}

describe('places on a surface', () => {
  it('are as many to an area wherever it is, one to each equal share, and the same for the same seed', () => {
    const samples = surfaceSamples(crate.mesh, ['crate'], 600, 3);
    expect(samples).toHaveLength(600);
    expect(surfaceSamples(crate.mesh, ['crate'], 600, 3)).toEqual(samples);
    // Top and bottom 2 x 1.2 each, front and rear 2 x 1, the ends 1.2 x 1: 11.2 square metres in all.
    const share = (test: (normal: Vec3) => boolean): number => samples.filter(({ normal }) => test(normal)).length / 600;
    expect(share(([, , z]) => Math.abs(z) > 0.9)).toBeCloseTo(4.8 / 11.2, 2);
    expect(share(([, y]) => Math.abs(y) > 0.9)).toBeCloseTo(4 / 11.2, 2);
    expect(share(([x]) => Math.abs(x) > 0.9)).toBeCloseTo(2.4 / 11.2, 2);
    for (const { point } of samples) expect(Math.abs(point[0]) <= 1.000001 && point[2] >= -1e-6 && point[2] <= 1.000001).toBe(true);
  });

  it('know which parts are open', () => {
    const sheet: Mesh = { ...crate.mesh, parts: [{ id: 'sheet', name: 'sheet', start: 0, count: 6, parent: null }] };
    expect([...openParts(sheet)]).toEqual([0]);
    expect(openParts(crate.mesh).size).toBe(0);
  });
});

describe('depths of a picture', () => {
  const front: View = {
    target: [0, 0, 0.6],
    orientation: orientationFrom({ azimuth: 0, elevation: 0, roll: 0 }),
    distance: 6,
    projection: 'perspective',
    fovY: 0.6,
  };
  it('are those of the surface that is shown, in both projections, and none where nothing is', () => {
    for (const projection of ['perspective', 'orthographic'] as const) {
      const scene = initialScene({ ...front, projection });
      const { ids, depths } = drawDepths(crate.mesh, scene, 320, 200);
      expect(ids).toEqual(drawIds(crate.mesh, scene, 320, 200));
      // The knob's front is at y = -0.75, the crate's at -0.6; the eye at -6.
      expect(depths[100 * 320 + 160]).toBeCloseTo(5.25, 5);
      expect(depths[100 * 320 + 120]).toBeCloseTo(5.4, 5);
      expect(Number.isFinite(depths[0] as number)).toBe(false);
    }
  });
});

it('162 directions are even over the sphere', () => {
  const directions = evenDirections();
  expect(directions).toHaveLength(162);
  for (const d of directions) {
    expect(length(d)).toBeCloseTo(1, 9);
    const nearest = Math.min(...directions.filter((o) => o !== d).map((o) => angleBetween(d, o)));
    expect(nearest).toBeGreaterThan(0.2);
    expect(nearest).toBeLessThan(0.35);
  }
});

describe('what was seen', () => {
  it('of a ball seen from one side without perspective is what lies within 80° of the eye', () => {
    const model = ball();
    const view = fit(
      { ...model.home, projection: 'orthographic', orientation: lookFrom([0, -1, 0]) },
      [...[-1, 1].flatMap((x) => [-1, 1].map((z): Vec3 => [x, 0, z]))],
      FRAME_ASPECT,
      0.1,
    );
    const seen = createSeenSoFar(model, { parts: [], sides: true, near: 0, leftOut: [] });
    seen.add(initialScene(view));
    // A cap of 80° has (1 - cos 80°) / 2 of the sphere's area.
    expect(1 - seen.unseen()).toBeCloseTo((1 - exact.cos((80 * Math.PI) / 180)) / 2, 1);
    expect(seen.side()).toBe('rear');
    seen.add(initialScene({ ...view, orientation: lookFrom([0, 1, 0]) }));
    expect(1 - seen.unseen()).toBeCloseTo(1 - exact.cos((80 * Math.PI) / 180), 1);
    const before = seen.directions.length;
    seen.add(initialScene({ ...view, orientation: lookFrom(unit([0.05, 1, 0]) as Vec3) }));
    expect(seen.directions).toHaveLength(before);
  });

  it('is nothing that is hidden, too far to be near enough, or behind another part', () => {
    const toSee = { parts: ['knob'], sides: true, near: 0, leftOut: [] };
    const front = initialScene({ ...crate.home, orientation: lookFrom([0, -1, 0]) });
    const share = (scene: ReturnType<typeof initialScene>, near = 0): number => {
      const seen = createSeenSoFar(crate, { ...toSee, near });
      seen.add(scene);
      return 1 - seen.unseen();
    };
    expect(share(front)).toBeGreaterThan(0.15);
    expect(share({ ...front, visibility: { knob: 'hidden' } })).toBe(0);
    expect(share({ ...front, view: { ...front.view, orientation: lookFrom([0, 1, 0]) } })).toBe(0);
    expect(share(front, 0.9)).toBe(0);
  });

  it('a sheet is seen from either side; what nothing outside shows is left out', () => {
    const sheet = boxes([{ id: 'sheet', min: [-1, 0, -1], max: [1, 0.2, 1] }]);
    const open: ScoredModel = { mesh: { ...sheet, parts: [{ ...(sheet.parts[0] as (typeof sheet.parts)[number]), count: 12 }] }, home: defaultHome(sheet) };
    expect(openParts(open.mesh).size).toBe(1);
    const nested = boxes([
      { id: 'outer', min: [-1, -1, -1], max: [1, 1, 1] },
      { id: 'inner', min: [-0.5, -0.5, -0.5], max: [0.5, 0.5, 0.5] },
    ]);
    const model = { mesh: nested, home: defaultHome(nested) };
    expect(neverSeen(model, ['inner'])).toHaveLength(SAMPLES);
    expect(neverSeen(model, ['outer'])).toHaveLength(0);
    const sealed = { ...exerciseOf({ ...whole, parts: ['inner'] }), start: initialScene(model.home) };
    expect(examineExercise(sealed, model).faults).toMatchObject([{ field: 'steps.0.goal' }]);
  });

  it('sides are told by the way that a normal looks to', () => {
    expect(
      [
        [0, -1, 0],
        [1, 0, 0],
        [0, 1, 0],
        [-1, 0, 0],
        [0, 0, 1],
        [0.1, 0.2, -0.9],
      ].map((n) => sideOf(n as unknown as Vec3)),
    ).toEqual(['front', 'right', 'rear', 'left', 'top', 'bottom']);
  });
});

describe('when a view counts', () => {
  const goal: SeeAll = { ...whole, near: 0 };
  const exercise = exerciseOf(goal);
  const value = (trace: Trace): number | null | undefined => scoreAttempt(exercise, crate, trace).steps[0]?.criteria.find(({ id }) => id === 'unseen')?.value;
  const at = (list: readonly (readonly [t: number, command: Command])[], end: number): Trace => ({
    ...attempt([]),
    moves: list.map(([t, command], id): Move => ({ t, command, gesture: { id, device: 'mouse', binding: 'test' } })),
    events: [
      { t: 0, kind: 'begin' },
      { t: end, kind: 'handIn' },
    ],
    end,
  });
  const underside: Command = { kind: 'standard', name: 'bottom' };
  const home: Command = { kind: 'home' };

  it('a view that is held counts, one that is left at once does not', () => {
    const untouched = value(at([], 3)) as number;
    const held = value(
      at(
        [
          [1, underside],
          [2, home],
        ],
        3,
      ),
    ) as number;
    const flashed = value(
      at(
        [
          [1.01, underside],
          [1.05, home],
        ],
        3,
      ),
    ) as number;
    expect(held).toBeLessThan(untouched - 0.1);
    expect(flashed).toBeCloseTo(untouched, 9);
  });

  it('the same from the parts of the measure itself', () => {
    const trace = at([[1, underside]], 3);
    const [evidence] = gatherEvidence(exercise.steps, crate, trace);
    if (!evidence) throw new Error('a step');
    const measured = measuredOf(seeAllAim.aim(goal, 'orbit'), crate, evidence.after, evidence);
    expect(measure('unseen', measured)).toBe(value(trace));
  });

  it('the live help counts the same views', () => {
    const [step] = exercise.steps;
    if (!step) throw new Error('a step');
    const live = liveProgress(step, crate);
    const trace = at([[1, underside]], 3);
    const [evidence] = gatherEvidence(exercise.steps, crate, trace);
    if (!evidence || !live) throw new Error('a step that is told');
    live.add(evidence.before);
    live.add(evidence.after);
    expect(live.results()[0]?.value).toBe(value(trace));
    expect(live.advice()).toMatchObject({ code: 'unseen' });
  });
});

it('what is found out is kept with the published exercise, and is no change of the draft', () => {
  const exercise = exerciseOf(whole);
  const published = settled(exercise, crate);
  const goal = published.steps[0]?.goal as SeeAll | undefined;
  // The crate's top, under its lid.
  expect(goal?.leftOut?.length).toBeGreaterThan(50);
  expect(drafted(published)).toEqual(exercise);
});

it('a sure hand earns more than a clumsy one', () => {
  const exercise = { ...exerciseOf(whole), ...settled(exerciseOf(whole), crate) };
  const mean = (slips: number): number => meanScore(exercise, { noise: 0.1, reaction: 0.4, corrections: 1, slips }, 4);
  const [sure, middling, clumsy] = [mean(0), mean(0.3), mean(0.8)];
  expect(sure).toBeGreaterThan(95);
  expect(sure).toBeGreaterThan(middling + 5);
  expect(middling).toBeGreaterThan(clumsy + 5);
});
