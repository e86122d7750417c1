import { describe, expect, it } from 'vitest';
import { CRITERIA, CRITERION_IDS } from '../criteria';
import { criteriaFor, defaultCriteria, GOAL_KINDS, type Goal } from '../goals';
import { marginsSchema } from '../goals/frameIt/kind';
import { Command } from '../navigation/command';
import { GOALS } from '../tests/goals';
import { exerciseOf, start } from '../tests/practice';
import { COMMAND_GROUP_IDS, COMMAND_GROUPS, isAllowed } from './commandGroups';
import { exerciseSchema } from './exerciseSchema';
import { SKILLS, skillLabel } from './skills';

/** One goal of each kind. */
const goals = Object.fromEntries(GOAL_KINDS.map((kind) => [kind, GOALS[kind][0]])) as unknown as Record<(typeof GOAL_KINDS)[number], Goal>;

describe('criteria', () => {
  it.each(GOAL_KINDS)('the usual ones of %s can all be measured, and their weights count', (kind) => {
    const list = defaultCriteria(goals[kind]);
    expect(list.every((c) => criteriaFor(goals[kind]).some((choice) => choice.id === c.id))).toBe(true);
    expect(list.some((c) => c.weight > 0)).toBe(true);
    expect(exerciseSchema.safeParse(exerciseOf(goals[kind])).success).toBe(true);
  });

  it('a first look round is never punished: time and gestures weigh nothing to begin with', () => {
    for (const kind of GOAL_KINDS)
      for (const c of defaultCriteria(goals[kind])) if (c.id === 'time' || c.id === 'detour') expect(c.weight, `${kind} ${c.id}`).toBe(0);
  });

  it('a cut without a target plane is judged by what shows alone', () => {
    expect(
      defaultCriteria({ kind: 'cutToReveal', plane: null, reveal: ['lid'] })
        .filter((c) => c.weight > 0)
        .map((c) => c.id),
    ).toEqual(['revealed']);
  });

  it('only faces called means no standard angle', () => {
    const calls = [{ kind: 'face' as const, name: 'lid', point: [0, 0, 1] as const, normal: [0, 0, 1] as const }];
    expect(defaultCriteria({ kind: 'callView', order: 'asGiven', calls }).map((c) => c.id)).not.toContain('standardAngle');
  });

  it('what is hidden or cut in a target is judged as well', () => {
    const target = { ...start, visibility: { lid: 'hidden' as const }, section: { normal: [0, 0, 1] as const, offset: 0.5 } };
    expect(defaultCriteria({ kind: 'matchView', target, subject: [] }).map((c) => c.id)).toEqual(
      expect.arrayContaining(['visibility', 'sectionAngle', 'sectionOffset']),
    );
  });

  it('each has words and a unit, once', () => {
    for (const id of CRITERION_IDS) expect(CRITERIA[id].label.length, id).toBeGreaterThan(2);
    for (const kind of GOAL_KINDS) {
      const ids = criteriaFor(goals[kind]).map((c) => c.id);
      expect(ids.length).toBeGreaterThan(5);
      expect(new Set(ids).size, kind).toBe(ids.length);
    }
  });
});

describe('what is allowed', () => {
  it('every command stands in one group, or is always allowed', () => {
    const grouped = COMMAND_GROUP_IDS.flatMap((id) => [...COMMAND_GROUPS[id].kinds] as string[]);
    expect(new Set(grouped).size).toBe(grouped.length);
    const kinds = Command.options.map((o) => o.shape.kind.value);
    expect(kinds.filter((k) => !grouped.includes(k)).sort()).toEqual(['cancel', 'reset', 'select']);
  });

  it('a group that is left out forbids its commands alone', () => {
    const allowed = COMMAND_GROUP_IDS.filter((id) => id !== 'standard');
    expect(isAllowed('standard', allowed)).toBe(false);
    expect(isAllowed('snap', allowed)).toBe(false);
    expect(isAllowed('orbit', allowed)).toBe(true);
    expect(isAllowed('cancel', [])).toBe(true);
  });
});

describe('the exercise schema', () => {
  const good = exerciseOf(goals.matchView);
  it.each([
    ['no title', { title: ' ' }],
    ['no step', { steps: [] }],
    ['nothing allowed', { allowed: [] }],
    ['an unknown group', { allowed: ['flying'] }],
    ['full beyond zero', { steps: [{ ...good.steps[0], criteria: [{ id: 'direction', full: 2, zero: 1, weight: 1 }] }] }],
    ['a criterion twice', { steps: [{ ...good.steps[0], criteria: [1, 2].map(() => ({ id: 'direction', full: 0, zero: 1, weight: 1 })) }] }],
    ['no weight at all', { steps: [{ ...good.steps[0], criteria: [{ id: 'direction', full: 0, zero: 1, weight: 0 }] }] }],
    ['four hints', { steps: [{ ...good.steps[0], hints: ['a', 'b', 'c', 'd'] }] }],
    ['three other skills', { steps: [{ ...good.steps[0], otherSkills: ['pan', 'zoom', 'recover'] }] }],
    ['an unknown skill', { steps: [{ ...good.steps[0], skill: 'juggling' }] }],
    ['a model of revision 0', { model: { id: 'm', revision: 0 } }],
  ])('refuses %s', (_name, change) => {
    expect(exerciseSchema.safeParse({ ...good, ...change }).success).toBe(false);
  });

  it('margins must leave room', () => {
    expect(marginsSchema.safeParse({ left: 0.5, right: 0.5, top: 0, bottom: 0 }).success).toBe(false);
    expect(marginsSchema.safeParse({ left: 0.4, right: 0.5, top: 0, bottom: 0 }).success).toBe(true);
  });
});

it('there are sixteen skills, in the order in which they are taught', () => {
  expect(SKILLS).toHaveLength(16);
  expect(SKILLS.slice(0, 4).map((s) => s.label)).toEqual(['Orbit', 'Pan', 'Zoom', 'Recover']);
  expect(skillLabel('squareOn')).toBe('Square on');
});
