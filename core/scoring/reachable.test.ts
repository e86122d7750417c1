import { describe, expect, it } from 'vitest';
import { COMMAND_GROUP_IDS, type CommandGroupId } from '../exercise';
import type { Goal, GoalOf } from '../goals';
import type { Vec3 } from '../math';
import { defaultHome, type ScoredModel } from '../model';
import { initialScene } from '../navigation';
import { boxes } from '../tests/meshes';
import { exerciseOf } from '../tests/practice';
import { standardOrientation } from '../view';
import { examineExercise } from './examine';
import { reachable, reachFaults } from './reachable';

/** A box of six walls with a cube in it, a cube behind the box, and one on it. */
const wall = (id: string, min: Vec3, max: Vec3) => ({ id, min, max });
const mesh = boxes([
  wall('floor', [-1, -1, 0], [1, 1, 0.05]),
  wall('roof', [-1, -1, 0.95], [1, 1, 1]),
  wall('front', [-1, -1, 0.05], [1, -0.95, 0.95]),
  wall('rear', [-1, 0.95, 0.05], [1, 1, 0.95]),
  wall('left', [-1, -0.95, 0.05], [-0.95, 0.95, 0.95]),
  wall('right', [0.95, -0.95, 0.05], [1, 0.95, 0.95]),
  wall('core', [-0.1, -0.1, 0.4], [0.1, 0.1, 0.6]),
  wall('plate', [1.2, -1, 0], [1.25, 1, 1]),
]);
const model: ScoredModel = { mesh, home: defaultHome(mesh) };
const start = initialScene(model.home);
const cube = (id: string, point: Vec3): GoalOf<'findIt'>['items'][number] => ({
  id,
  name: id,
  of: 'object',
  object: { shape: 'cube', point, turn: [0, 0, 0, 1], size: 0.1 },
});
const open = cube('open', [0, 0, 1.05]);
const between = cube('between', [1.1, 0, 0.5]);
const sealed = cube('sealed', [0.5, 0.5, 0.5]);
const find = (...items: GoalOf<'findIt'>['items']) => exerciseOf({ kind: 'findIt', items });
const all = COMMAND_GROUP_IDS;
const without = (...ids: readonly CommandGroupId[]) => all.filter((id) => !ids.includes(id));
const reach = (allowed: readonly CommandGroupId[], ...items: GoalOf<'findIt'>['items']) => {
  const [step] = find(...items).steps;
  if (!step) throw new Error('a step');
  return reachable(step, model, { start, allowed: [...allowed] }).map(({ name, reach: how }) => `${name} ${how}`);
};

describe('what can be reached', () => {
  it('three hidden cubes: one lies open, one between two walls is seen from above, and one is sealed in', () => {
    expect(reach(all, open, between, sealed)).toEqual([]);
    expect(reach(without('show', 'section', 'walk'), open, between)).toEqual([]);
    // Behind all its walls: by hiding, in a cut, or from inside.
    expect(reach(without('section', 'walk'), sealed)).toEqual([]);
    expect(reach(without('show', 'walk'), sealed)).toEqual([]);
    expect(reach(without('show', 'section'), sealed)).toEqual([]);
    const shares: number[] = [];
    const [step] = find(sealed).steps;
    if (!step) throw new Error('a step');
    expect(reachable(step, model, { start, allowed: ['orbit', 'panZoom'] }, (share) => shares.push(share))).toMatchObject([
      { name: 'sealed', reach: 'behind' },
    ]);
    // It tells how far it is, and never goes back.
    expect(shares.length).toBeGreaterThan(50);
    expect(shares.every((share, i) => share <= 1 && share >= (shares[i - 1] ?? 0))).toBe(true);
    // What the start has hidden stays so.
    expect(reachable(step, model, { start: { ...start, visibility: { roof: 'hidden' } }, allowed: ['orbit'] })).toEqual([]);
  });

  it('what has to be laid open counts alike', () => {
    const [step] = exerciseOf({ kind: 'cutToReveal', plane: null, reveal: ['core'] }).steps;
    if (!step) throw new Error('a step');
    expect(reachable(step, model, { start, allowed: ['orbit', 'section'] })).toEqual([]);
  });
});

describe('publishing', () => {
  const content = { ...find(sealed), start, allowed: without('show', 'section', 'walk') };

  it('asks for a reason where something lies beyond what is allowed, and keeps what is never reached back', () => {
    expect(reachFaults(content, model)).toMatchObject([{ field: 'steps.0.goal', message: expect.stringContaining('say below why') }]);
    const [step] = content.steps;
    if (!step) throw new Error('a step');
    expect(reachFaults({ ...content, steps: [{ ...step, reachReason: 'They open the box on the bench.' }] }, model)).toEqual([]);
    expect(reachFaults({ ...content, steps: [{ ...step, off: true }] }, model)).toEqual([]);
    // Too small to be seen from anywhere.
    const dust: GoalOf<'findIt'>['items'][number] = {
      id: 'dust',
      name: 'dust',
      of: 'object',
      object: { shape: 'cube' as const, point: [0, 0, 1.2] as Vec3, turn: [0, 0, 0, 1] as const, size: 1e-5 },
    };
    const never = find(dust).steps[0];
    if (never)
      expect(reachFaults({ ...content, steps: [{ ...never, reachReason: 'No.' }] }, model)).toMatchObject([
        { message: expect.stringContaining('from nowhere') },
      ]);
  });
});

describe('what an author should know', () => {
  const warned = (...goals: readonly Goal[]) =>
    examineExercise({ ...exerciseOf(...goals), start }, model)
      .warnings.map(({ field, message }) => `${field} ${message}`)
      .filter((words) => !words.includes('more can be lost'));

  it('a target that shows nothing of its subject, a call that the start answers, a line through a part', () => {
    const aside = { ...start.view, target: [50, 0, 0] as Vec3 };
    expect(warned({ kind: 'matchView', target: initialScene(aside), subject: ['core'] })).toEqual([
      expect.stringMatching(/^steps.0.goal Step 1: the target shows nothing/),
    ]);
    const front = { ...start, view: { ...start.view, orientation: standardOrientation('front') } };
    const calls = exerciseOf({
      kind: 'callView',
      order: 'asGiven',
      calls: [
        { kind: 'standard', name: 'front' },
        { kind: 'standard', name: 'top' },
      ],
    });
    expect(examineExercise({ ...calls, start: front }, model).warnings[0]).toMatchObject({
      field: 'start',
      message: expect.stringContaining('already answers the first call'),
    });
    const inside = { ...start.view, target: [0, 0, 0.5] as Vec3, distance: 0.05 };
    expect(
      warned({
        kind: 'followOrbit',
        pivot: [0, 0, 0.5],
        path: [
          { t: 0, view: inside },
          { t: 1, view: { ...inside, orientation: standardOrientation('right') } },
        ],
      }),
    ).toEqual([expect.stringContaining('passes inside “core”')]);
  });
});
