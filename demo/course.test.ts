import {
  BUILT_IN_SCHEMES,
  boxOf,
  CRITERIA,
  defaultHome,
  examineExercise,
  exerciseSchema,
  expectedOf,
  GOAL_KINDS,
  initialScene,
  judgeNow,
  landmarkSchema,
  partsUnder,
  type ScoredModel,
  scoreAttempt,
  simulateAttempt,
  TRACE_FORMAT,
  type Trace,
} from '@core';
import { AS_IT_IS, placeMesh } from '@formats';
import { describe, expect, it } from 'vitest';
import { COURSE, type DemoModel, draftOf } from './course';
import { floorBeneath } from './floor';
import { LANDMARKS, placed } from './landmarks';
import { buoy, drive, lanternRoom, optic, tower } from './models';

const make = { buoy, optic, drive, lanternRoom, tower };
const models = new Map<DemoModel, ScoredModel>();
function modelOf(name: DemoModel): ScoredModel {
  const known = models.get(name);
  if (known) return known;
  const mesh = placeMesh(make[name](), AS_IT_IS).mesh;
  const made = { mesh, home: defaultHome(mesh) };
  models.set(name, made);
  return made;
}
const steady = { noise: 0.02, reaction: 0.3, corrections: 5, slips: 0 };

it('covers every goal and the first nine skills and more', () => {
  const steps = COURSE.flatMap((plan) =>
    plan.steps.map((step) => ({
      goal: step.goal(modelOf(plan.model), plan.start?.(modelOf(plan.model)) ?? draftOf(plan, modelOf(plan.model), { id: 'm', revision: 1 }).start),
      skill: step.skill,
    })),
  );
  expect(new Set(steps.map((s) => s.goal.kind))).toEqual(new Set(GOAL_KINDS));
  expect([...new Set(steps.map((s) => s.skill))]).toEqual(
    expect.arrayContaining(['orbit', 'pan', 'zoom', 'recover', 'standardViews', 'pivot', 'framing', 'projection', 'seeThrough', 'section', 'squareOn']),
  );
});

describe.each(COURSE.map((plan) => [plan.title, plan] as const))('%s', (_title, plan) => {
  const model = modelOf(plan.model);
  const draft = draftOf(plan, model, { id: 'm', revision: 1 });
  const exercise = { ...draft, id: 'e', version: 1 };

  it('is a valid exercise', () => {
    expect(exerciseSchema.safeParse(draft).error?.issues).toBeUndefined();
  });

  it('is done by a steady hand with every scheme', () => {
    for (const scheme of BUILT_IN_SCHEMES) {
      const trace = simulateAttempt(exercise, model, scheme, steady, 42);
      expect(scoreAttempt(draft, model, trace, scheme).score, scheme.name).toBeGreaterThan(80);
    }
  });

  it('is not done by handing in at once', () => {
    const trace: Trace = {
      format: TRACE_FORMAT,
      exercise: { id: 'e', version: 1 },
      model: draft.model,
      scheme: { id: 'two-button-mouse', revision: 1 },
      start: draft.start,
      seed: 1,
      moves: [],
      events: [
        { t: 0, kind: 'begin' },
        { t: 1, kind: 'handIn' },
      ],
      end: 1,
    };
    expect(scoreAttempt(draft, model, trace).score).toBe(0);
  });

  it('can be published: more than a tenth is to be gained, and nothing is wrong with it', () => {
    expect(examineExercise(draft, model).faults).toEqual([]);
  });

  it('has live help that agrees with the card for the same scene', () => {
    const [step] = draft.steps;
    const trace = simulateAttempt(exercise, model, BUILT_IN_SCHEMES[1] as (typeof BUILT_IN_SCHEMES)[number], { ...steady, noise: 0.3, corrections: 0 }, 7);
    const result = scoreAttempt(draft, model, trace).steps[0];
    if (!step || !result?.scene) throw new Error('a step was made');
    // Of a time one scene tells only whether it is up.
    for (const { id, value, points } of judgeNow(step, model, result.scene).filter((live) => CRITERIA[live.id].unit !== 's'))
      expect(result.criteria.find((c) => c.id === id)).toMatchObject({ value, points });
  });
});

it('the same seed makes the same attempt, another seed another', () => {
  const plan = COURSE[0];
  if (!plan) throw new Error('a course');
  const draft = { ...draftOf(plan, modelOf(plan.model), { id: 'm', revision: 1 }), id: 'e', version: 1 };
  const made = (seed: number): string =>
    JSON.stringify(
      simulateAttempt(draft, modelOf(plan.model), BUILT_IN_SCHEMES[0] as (typeof BUILT_IN_SCHEMES)[number], { ...steady, noise: 0.2 }, seed).moves,
    );
  expect(made(1)).toBe(made(1));
  expect(made(1)).not.toBe(made(2));
});

it('marks every landmark on the outside of a part that is there', () => {
  for (const [name, marks] of Object.entries(LANDMARKS) as [DemoModel, (typeof LANDMARKS)[DemoModel]][]) {
    const { mesh } = modelOf(name);
    for (const mark of marks) {
      const { part, point, normal } = landmarkSchema.parse(placed(mark, mesh));
      const box = boxOf(mesh, partsUnder(mesh, [part]));
      const axis = normal.findIndex((x) => Math.abs(x) === 1);
      if (axis >= 0) expect(point[axis]).toBeCloseTo(((normal[axis] as number) > 0 ? box?.max : box?.min)?.[axis] as number, 6);
    }
  }
});

it('an eye height that a brief names is over the floor beneath the eye, as the rule on the stage shows it', () => {
  const model = modelOf('tower');
  const plan = COURSE.find(({ title }) => title === 'Eye to the log book');
  const goal = plan?.steps[0]?.goal(model, plan.start?.(model) ?? initialScene(model.home));
  if (goal?.kind !== 'standHere') throw new Error('not a place to stand');
  const { eye } = goal;
  expect(eye[2] - (floorBeneath(model.mesh, eye) ?? Number.NaN)).toBeCloseTo(1.2, 6);
  expect(plan?.steps[0]?.brief).toMatch(/1\.20 m over the floor/);
  expect(plan?.brief).toMatch(/\bY\b/);
});

it('what is to be measured comes to what the models were made with', () => {
  const expected = (title: string): (number | null)[] => {
    const plan = COURSE.find((one) => one.title === title);
    if (!plan) throw new Error(title);
    const model = modelOf(plan.model);
    const [step] = draftOf(plan, model, { id: 'm', revision: 1 }).steps;
    return step?.goal.kind === 'measureIt' ? step.goal.asks.map((ask) => expectedOf(model.mesh, ask)) : [];
  };
  const [width, handle, crank, slope] = expected('A crate for the drive') as [number, number, number, number];
  expect(Math.abs(width - 1.2)).toBeLessThan(1e-6);
  expect(Math.abs(handle / 0.04 - 1)).toBeLessThan(0.005);
  expect(Math.abs(crank / 0.16 - 1)).toBeLessThan(0.002);
  expect((slope * 180) / Math.PI).toBeCloseTo(90 - 17.24, 1);
  const [opening, room] = expected('Rings of the optic') as [number, number];
  expect(Math.abs(opening / 1.2 - 1)).toBeLessThan(0.005);
  expect(room).toBeGreaterThan(0.5);
});
