import { describe, expect, it } from 'vitest';
import { partsSought, withItems } from '../../criteria';
import { boxOf, type Mesh, middleOf, placedMesh, placedPart, SHAPES } from '../../geometry';
import type { Vec3 } from '../../math';
import { contextFor, defaultHome, type ScoredModel } from '../../model';
import { initialScene, type Scene } from '../../navigation';
import { examineExercise, scoreAttempt } from '../../scoring';
import { GOALS } from '../../tests/goals';
import { meanScore } from '../../tests/meanScore';
import { boxes } from '../../tests/meshes';
import { attempt, crate, exerciseOf, start } from '../../tests/practice';
import type { Move, Trace, TraceEvent } from '../../trace';
import { FRAME_ASPECT, project } from '../../view';
import type { FindIt } from './kind';
import { sightOf } from './sight';
import { findItTask } from './task';

const cubeAt = (id: string, point: Vec3, size = 0.2): FindIt['items'][number] => ({
  id,
  name: `cube ${id}`,
  of: 'object',
  object: { shape: 'cube', point, turn: [0, 0, 0, 1], size },
});
const goalOf = (...items: FindIt['items']): FindIt => ({ kind: 'findIt', items });
const picks = (moves: readonly Move[], ...at: readonly (readonly [t: number, u: number, v: number])[]): Trace => {
  const events: TraceEvent[] = [{ t: 0, kind: 'begin' }, ...at.map(([t, u, v]) => ({ t, kind: 'pick' as const, step: 0, u, v }))];
  return { ...attempt([]), moves: [...moves], events: [...events, { t: 60, kind: 'handIn' }], end: 60 };
};
const values = (goal: FindIt, trace: Trace, model: ScoredModel = crate) =>
  Object.fromEntries((scoreAttempt(exerciseOf(goal), model, trace).steps[0]?.criteria ?? []).map(({ id, value }) => [id, value]));

/** A box without a lid that holds a cube, one cube behind it, and one sealed in a box of its own. */
const mesh: Mesh = boxes([
  { id: 'hull', min: [-1, -1, 0], max: [1, 1, 1] },
  { id: 'wall', min: [1.5, -1, 0], max: [1.6, 1, 1] },
]);
const yard: ScoredModel = { mesh, home: defaultHome(mesh) };
const yardStart: Scene = initialScene(yard.home);

describe('placed objects', () => {
  it('are closed solids as long as they say, turned, and stand behind the parts of the model', () => {
    for (const shape of SHAPES) {
      const own = placedMesh([{ id: 'x', name: 'x', object: { shape, point: [1, 2, 3], turn: [0, 0, 0, 1], size: 0.4 } }]);
      const { min, max } = boxOf(own) ?? { min: [0, 0, 0], max: [0, 0, 0] };
      expect(Math.max(...[0, 1, 2].map((k) => (max[k] as number) - (min[k] as number))), shape).toBeCloseTo(0.4, 5);
      expect(middleOf({ min, max } as never)[2], shape).toBeCloseTo(3, 5);
      // Every directed edge once each way, but where a pole has no length: closed and wound alike.
      const key = (k: number): string => [0, 1, 2].map((axis) => (own.positions[k * 3 + axis] as number).toFixed(5)).join();
      const edges = new Map<string, number>();
      for (let i = 0; i < own.indices.length; i += 3) {
        const corners = [0, 1, 2].map((k) => key(own.indices[i + k] as number));
        for (let k = 0; k < 3; k++) {
          const [a, b] = [corners[k] as string, corners[(k + 1) % 3] as string];
          if (a !== b) edges.set(`${a} ${b}`, (edges.get(`${a} ${b}`) ?? 0) + 1);
        }
      }
      for (const [edge, count] of edges) expect(edges.get(edge.split(' ').reverse().join(' ')), `${shape} ${edge}`).toBe(count);
    }
    const all = withItems(crate.mesh, GOALS.findIt[0]?.items ?? []);
    expect(all.parts.map(({ id }) => id)).toEqual(['crate', 'lid', 'knob', placedPart('b')]);
    // What is fitted is the model.
    expect(contextFor(crate).points?.('all', start)).toEqual(contextFor({ ...crate, mesh: crate.mesh }).points?.('all', start));
  });
});

describe('a pick', () => {
  const [goal] = GOALS.findIt as [FindIt];
  const knob = project(start.view, [0, -0.75, 0.6], FRAME_ASPECT);

  it('is a find where the screen shows the thing, or one pixel beside it', () => {
    expect(values(goal, picks([], [4, knob.u, knob.v]))).toMatchObject({ missed: 0.5, wrongPicks: 0, itemTime: 4 - 4 });
    const own = goalOf(cubeAt('a', [0, 0, 3], 0.5));
    const scene: Scene = initialScene({
      ...crate.home,
      target: [0, 0, 3],
      projection: 'orthographic',
      orientation: [Math.SQRT1_2, 0, 0, Math.SQRT1_2],
      distance: 5,
    });
    const trace = (u: number): Trace => ({ ...picks([], [4, u, 0]), start: scene });
    const half = project(scene.view, [0.25, 0, 3], FRAME_ASPECT).u;
    const pixel = FRAME_ASPECT / 640;
    expect(values(own, trace(half + 0.9 * pixel)).missed).toBe(0);
    expect(values(own, trace(half + 2.1 * pixel))).toMatchObject({ missed: 1, wrongPicks: 1 });
  });

  it('on something else, on nothing, out of the frame, or on what was found already is wrong', () => {
    const found = picks([], [4, knob.u, knob.v], [5, knob.u, knob.v], [6, 0.79, 0.49], [7, 3, 3], [8, 0, 0.1]);
    expect(values(goal, found)).toMatchObject({ missed: 0.5, wrongPicks: 4 });
  });

  it('of what stands behind a wall, or is hidden, finds nothing', () => {
    const behind = goalOf(cubeAt('a', [0.4, 0.9, 0.4]));
    const at = project(start.view, [0.4, 0.9, 0.4], FRAME_ASPECT);
    expect(values(behind, picks([], [4, at.u, at.v]))).toMatchObject({ missed: 1, wrongPicks: 1 });
    const opened: Move = { t: 2, command: { kind: 'show', parts: ['crate', 'lid'], state: 'glass' } };
    expect(values(behind, picks([opened], [4, at.u, at.v]))).toMatchObject({ missed: 0, wrongPicks: 0 });
    const gone: Move = { t: 2, command: { kind: 'show', parts: ['knob'], state: 'hidden' } };
    expect(values(goal, picks([gone], [4, knob.u, knob.v]))).toMatchObject({ missed: 1, wrongPicks: 1 });
  });

  it('counts in the scene of its own moment', () => {
    const away: Move = { t: 5, command: { kind: 'standard', name: 'bottom' } };
    expect(values(goal, picks([away], [4, knob.u, knob.v])).missed).toBe(0.5);
    expect(values(goal, picks([away], [6, knob.u, knob.v])).missed).toBe(1);
  });

  it('beyond a hundred is wrong without a look', () => {
    const many = Array.from({ length: 150 }, (_, i) => [4 + i / 10, 0.79, 0.49] as const);
    expect(values(goal, picks([], ...many, [40, knob.u, knob.v]))).toMatchObject({ missed: 1, wrongPicks: 151 });
  });

  it('times are from the movement that began, and from find to find', () => {
    const moved: Move = { t: 2, command: { kind: 'zoom', factor: 1.0001 } };
    const second: Move = { t: 7, command: { kind: 'standard', name: 'rear' } };
    const sight = sightOf(crate, goal.items, 1, start) as Scene;
    expect(sight).not.toBeNull();
    const trace = picks([moved, second], [5, knob.u, knob.v]);
    expect(values(goal, trace).itemTime).toBeCloseTo(3, 9);
  });
});

describe('three hidden cubes', () => {
  const items = [cubeAt('open', [0, 0, 1.1]), cubeAt('behind', [1.7, 0, 0.5]), cubeAt('sealed', [0, 0, 0.5])];

  it('two can be seen from outside, and the one that is sealed in cannot be published', () => {
    expect(items.map((_, i) => sightOf(yard, items, i, yardStart) !== null)).toEqual([true, true, false]);
    const faults = examineExercise({ ...exerciseOf(goalOf(...items)), start: yardStart }, yard).faults;
    expect(faults).toMatchObject([{ field: 'steps.0.goal', message: expect.stringContaining('“cube sealed” lies inside “hull”') }]);
    expect(examineExercise({ ...exerciseOf(goalOf(...items.slice(0, 2))), start: yardStart }, yard).faults).toEqual([]);
  });

  it('bad input is told at its field', () => {
    const fault = (...list: FindIt['items']) => examineExercise(exerciseOf(goalOf(...list)), crate).faults.map(({ message }) => message)[0];
    expect(fault()).toContain('say what has to be found');
    expect(fault({ id: 'a', name: 'x', of: 'part', part: 'gone' })).toContain('no part "gone"');
    expect(fault(cubeAt('a', [0, 0, 2]), { ...cubeAt('b', [0, 0, 3]), name: 'cube a' })).toContain('two things are called');
  });
});

describe('the task', () => {
  const [goal] = GOALS.findIt as [FindIt];
  const next = (asked: Parameters<typeof findItTask.next>[0], ...parts: readonly string[]) => {
    let step = findItTask.next(asked, findItTask.begin(asked, 1), { t: 0, scene: start });
    const events = [];
    for (const part of parts) {
      step = findItTask.next(asked, step.state, { t: 1, scene: start, command: { kind: 'select', parts: [part], point: [0, -0.75, 0.6] } });
      events.push(...step.events);
    }
    return { step, events };
  };

  it('fills the row, says a wrong pick gently, and lets one touch what is found', () => {
    expect(next(goal, 'lid').step.prompt).toMatchObject({ code: 'find', found: [], last: { how: 'wrong', part: 'lid' } });
    const { step, events } = next(goal, 'knob', 'knob', placedPart('b'));
    expect(step).toMatchObject({ done: true, prompt: { found: ['a', 'b'], last: { how: 'found', name: 'a ball' } } });
    expect(events).toHaveLength(2);
    expect(events[0]).toMatchObject({ kind: 'pick', u: expect.closeTo(project(start.view, [0, -0.75, 0.6], FRAME_ASPECT).u, 9) });
    // Picking nothing is no pick.
    expect(findItTask.next(goal, findItTask.begin(goal, 1), { t: 1, scene: start, command: { kind: 'select', parts: [] } }).events).toEqual([]);
  });

  it('where the parts are secret it only notes', () => {
    const secret = { kind: 'findIt' as const, items: [{ id: 'a', name: 'the knob', of: 'part' as const }] };
    expect(next(secret, 'knob').step).toMatchObject({ done: true, prompt: { found: [], last: { how: 'noted' } } });
  });
});

it('a sure hand earns more than a clumsy one', () => {
  const exercise = exerciseOf(GOALS.findIt[0] as FindIt);
  const mean = (slips: number, reaction: number): number => meanScore(exercise, { noise: 0.1, reaction, corrections: 1, slips });
  const [sure, middling, clumsy] = [mean(0, 0.5), mean(0.4, 4), mean(0.9, 12)];
  expect(sure).toBeGreaterThan(95);
  expect(sure).toBeGreaterThan(middling);
  expect(middling).toBeGreaterThan(clumsy + 5);
});

it('a part that is a group is found by what is under it', () => {
  const nested = boxes([
    { id: 'g/a', min: [0, 0, 0], max: [1, 1, 1], parent: 'g' },
    { id: 'g', min: [3, 0, 0], max: [4, 1, 1] },
  ]);
  expect([...(partsSought(nested, [{ id: 'x', name: 'x', of: 'part', part: 'g' }])[0] ?? [])].sort()).toEqual([0, 1]);
});
