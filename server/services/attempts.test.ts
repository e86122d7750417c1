import { gunzipSync } from 'node:zlib';
import {
  defaultCriteria,
  type Exercise,
  forTrainee,
  initialScene,
  redactedGoalSchema,
  type Scheme,
  schemeById,
  scoreAttempt,
  simulateAttempt,
  type Trace,
} from '@core';
import { beforeEach, describe, expect, it } from 'vitest';
import { meshOf } from '../meshes';
import * as slipsMigration from '../migrations/005-slips';
import { openPool } from '../pool';
import { cardOf, traceOf } from '../repositories/attempts';
import { aModel, buoyFile, type School, school } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, takeBack } from './assigning';
import { asSent, attemptSeen, getTrace, handIn, hintOf, openAttempt, tryOut } from './attempts';
import { draftRead, makeExercise, pictureBytes, publish, saveDraft, versionToPractise } from './exercises';
import { getModel, openMeshFile, reviseModel } from './models';
import { groupCsv, groupProgress, progressCsv, progressOf } from './progress';

const { service, s } = useSchool();
let exercise: Exercise & { id: string; version: number };
const mouse = schemeById('two-button-mouse') as Scheme;
const PNG = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]);
const learner = { noise: 0.05, reaction: 0.3, corrections: 3, slips: 0 };

/** Publishes and assigns an exercise: turn the buoy by a right angle. */
async function published(change: Partial<Exercise> = {}): Promise<Exercise & { id: string; version: number }> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  const { draft } = await draftRead(s.instructor, id);
  const view = draft.start.view;
  const goal = { kind: 'matchView' as const, subject: [], target: initialScene({ ...view, orientation: [0.5, 0.5, 0.5, 0.5] as const }) };
  const content: Exercise = {
    ...draft,
    title: 'Round',
    steps: [{ ...(draft.steps[0] as Exercise['steps'][number]), brief: 'Go round', goal, criteria: defaultCriteria(goal) }],
    ...change,
  };
  await saveDraft(s.instructor, id, content);
  const { version } = await publish(s.instructor, id, [PNG]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  return { ...content, id, version };
}

beforeEach(async () => {
  exercise = await published();
});

async function opened(): Promise<{ id: string; trace: Trace }> {
  const { id, seed } = await openAttempt(s.trainee, { exerciseId: exercise.id, version: exercise.version, schemeId: mouse.id });
  const { revision } = await getModel(s.instructor, exercise.model.id, exercise.model.revision);
  const model = { mesh: await meshOf(service, revision.meshHash), home: revision.home };
  const trace = { ...simulateAttempt(exercise, model, mouse, learner, 5), seed };
  service.pass(trace.end + 1);
  return { id, trace };
}

describe('handing in', () => {
  it('keeps the trace and the card computed from it, and the card is what the stored trace gives again', async () => {
    const { id, trace } = await opened();
    const card = await handIn(s.trainee, id, asSent(trace));
    expect(card).toMatchObject({ score: expect.any(Number) });
    expect(card.score).toBeGreaterThan(80);
    const stored = await traceOf(service.db, id);
    expect(stored).toEqual(trace);
    const { revision } = await getModel(s.instructor, exercise.model.id, 1);
    const again = scoreAttempt(exercise, { mesh: await meshOf(service, revision.meshHash), home: revision.home }, stored as Trace, mouse);
    expect(await cardOf(service.db, id)).toEqual(JSON.parse(JSON.stringify(again)));
  });

  it('the same attempt handed in twice, also at the same time, is one attempt with one card', async () => {
    const { id, trace } = await opened();
    const cards = await Promise.all([
      handIn(s.trainee, id, asSent(trace)),
      handIn(s.trainee, id, asSent(trace)),
      handIn(s.trainee, id, asSent({ ...trace, moves: [] })),
    ]);
    const kept = await cardOf(service.db, id);
    for (const card of [...cards, await handIn(s.trainee, id, asSent(trace))]) expect(card.score).toBe(kept?.score);
    expect(await service.db('attempt_steps').where({ attempt_id: id })).toHaveLength(1);
  });

  it.each([
    ['another start', (t: Trace): Trace => ({ ...t, start: { ...t.start, view: { ...t.start.view, distance: 1 } } }), 'refused-start'],
    ['more time than passed', (t: Trace): Trace => ({ ...t, end: t.end + 3600 }), 'refused-time'],
    ['times that go back', (t: Trace): Trace => ({ ...t, moves: t.moves.map((m, i) => (i === 3 ? { ...m, t: 0 } : m)) }), 'refused-time'],
    ['an unknown part', (t: Trace): Trace => ({ ...t, moves: [...t.moves, { t: t.end, command: { kind: 'select', parts: ['nowhere'] } }] }), 'refused-part'],
    [
      'a command that is not allowed',
      (t: Trace): Trace => ({ ...t, moves: [...t.moves, { t: t.end, command: { kind: 'walk', forward: 1, right: 0, dt: 1, onGround: true } }] }),
      'refused-command',
    ],
    [
      'too many commands a second',
      (t: Trace): Trace => ({ ...t, moves: [...t.moves, ...Array.from({ length: 2100 }, () => ({ t: t.end, command: { kind: 'roll' as const, angle: 0 } }))] }),
      'refused-rate',
    ],
    ['another exercise', (t: Trace): Trace => ({ ...t, exercise: { ...t.exercise, id: 'other' } }), 'refused-exercise'],
    ['another seed', (t: Trace): Trace => ({ ...t, seed: 1 }), 'refused-exercise'],
    ['steps that are not there', (t: Trace): Trace => ({ ...t, events: [...t.events, { t: t.end, kind: 'stepDone', step: 4 }] }), 'refused-steps'],
  ])('refuses %s, with the reason, and the attempt can still be handed in', async (_name, forge, code) => {
    exercise = await published({ allowed: ['orbit', 'panZoom', 'projection'] });
    const { id, trace } = await opened();
    await expect(handIn(s.trainee, id, asSent(forge(trace)))).rejects.toMatchObject({ status: 422, code });
    await expect(handIn(s.trainee, id, asSent(trace))).resolves.toMatchObject({ flashes: expect.any(Number) });
  });

  it('refuses a scheme that the exercise is not meant for, and an older version', async () => {
    exercise = await published({ schemes: ['keyboard-alone'] });
    await expect(openAttempt(s.trainee, { exerciseId: exercise.id, version: 1, schemeId: mouse.id })).rejects.toMatchObject({ field: 'schemeId' });
    await expect(openAttempt(s.trainee, { exerciseId: exercise.id, version: 9, schemeId: 'keyboard-alone' })).rejects.toMatchObject({ status: 409 });
  });

  it('an author tries it out and nothing is kept', async () => {
    const { trace } = await opened();
    const tried = (made: Trace): Uint8Array => new TextEncoder().encode(JSON.stringify({ content: exercise, trace: made }));
    const before = await service.db('attempts').count({ n: '*' }).first();
    await expect(tryOut(s.instructor, tried({ ...trace, exercise: { id: 'draft', version: 0 } }))).resolves.toMatchObject({ format: 2 });
    await expect(tryOut(s.trainee, tried(trace))).rejects.toMatchObject({ status: 404 });
    expect(await service.db('attempts').count({ n: '*' }).first()).toEqual(before);
  });
});

describe('what others may see', () => {
  it('another’s attempt, another group’s exercise and model do not exist for a trainee or a stranger', async () => {
    const { id, trace } = await opened();
    await handIn(s.trainee, id, asSent(trace));
    const { revision } = await getModel(s.trainee, exercise.model.id, 1);
    const other = await school(service);
    const work = (asked: School['trainee']): (() => Promise<unknown>)[] => [
      () => attemptSeen(asked, id),
      () => getTrace(asked, id),
      () => handIn(asked, id, asSent(trace)),
      () => versionToPractise(asked, exercise.id),
      () => openAttempt(asked, { exerciseId: exercise.id, version: 1, schemeId: mouse.id }),
      () => getModel(asked, exercise.model.id),
      () => openMeshFile(asked, revision.meshHash),
      () => pictureBytes(asked, exercise.id, 1, 0),
      () => draftRead(asked, exercise.id),
      () => progressOf(asked, s.trainee.who.id),
      () => groupProgress(asked, s.group.id),
    ];
    for (const asked of [other.trainee, other.instructor])
      for (const refused of work(asked)) await expect(refused(), String(refused)).rejects.toMatchObject({ status: 404 });
    await expect(attemptSeen(s.instructor, id)).resolves.toMatchObject({ personName: s.trainee.who.name });
    await expect(attemptSeen(s.lead, id)).resolves.toBeDefined();
    await expect(draftRead(s.trainee, exercise.id)).rejects.toMatchObject({ status: 404 });
  });

  it('a hidden target is in nothing that its trainee gets but the picture', async () => {
    exercise = await published({ showTarget: false, liveHelp: false });
    const { content } = await versionToPractise(s.trainee, exercise.id);
    const goal = exercise.steps[0]?.goal;
    const secret = goal?.kind === 'matchView' ? JSON.stringify(goal.target.view.orientation) : '';
    expect(JSON.stringify(content)).toContain(secret);
    expect(JSON.stringify(forTrainee(content))).not.toContain(secret);
    const { id, trace } = await opened();
    await handIn(s.trainee, id, asSent({ ...trace, moves: [] }));
    const seen = await attemptSeen(s.trainee, id);
    expect(JSON.stringify([seen.exercise, seen.details])).not.toContain(secret);
    // Nor how far off it was, or which way: an empty attempt would ask for it.
    const direction = seen.card.steps[0]?.criteria.find((c) => c.id === 'direction');
    expect(direction).toMatchObject({ value: null, advice: { code: 'coarse', figures: { near: 'far' } } });
    expect(JSON.stringify(seen.card)).not.toMatch(/goRound|"right"/);
    expect((await attemptSeen(s.instructor, id)).card.steps[0]?.criteria.find((c) => c.id === 'direction')?.value).toBeGreaterThan(0.5);
    expect(await pictureBytes(s.trainee, exercise.id, 1, 0)).toEqual(Buffer.from(PNG));
  });

  it('hides lines, pivots, faces and hints of a hidden target, whatever the goal', () => {
    const [step] = exercise.steps as [Exercise['steps'][number]];
    const view = { ...exercise.start.view, distance: 12.345 };
    const call = { kind: 'face' as const, name: 'the marked face', point: [1.2345, 0, 0] as const, normal: [0, 0.6, 0.8] as const };
    const goals: Exercise['steps'][number]['goal'][] = [
      { kind: 'followOrbit', pivot: [7.654, 0, 0], path: [0, 1, 2].map((t) => ({ t, view })) },
      { kind: 'callView', calls: [call], order: 'asGiven' },
      { kind: 'cutToReveal', plane: { normal: [0, 0.6, 0.8], offset: 9.876 }, reveal: [] },
    ];
    const content = { ...exercise, showTarget: false, steps: goals.map((goal) => ({ ...step, goal, hints: ['first words', 'second words'] })) };
    expect(JSON.stringify(forTrainee(content))).not.toMatch(/12\.345|7\.654|1\.2345|0\.6,0\.8|9\.876|words/);
    expect(JSON.stringify(forTrainee({ ...content, showTarget: true }))).toMatch(/7\.654/);
    // What is sent in their place is all that task and panel need, and nothing else.
    for (const { goal } of forTrainee(content).steps) expect(redactedGoalSchema.parse(goal)).toEqual(goal);
  });

  it('hints of a hidden target are given one after the other, to the one whose attempt runs', async () => {
    const [step] = exercise.steps as [Exercise['steps'][number]];
    exercise = await published({ showTarget: false, liveHelp: false, steps: [{ ...step, hints: ['Turn.', 'Turn right.', 'Press 3.'] }] });
    const { id, trace } = await opened();
    await expect(hintOf(s.trainee, id, 0, 1)).rejects.toMatchObject({ status: 404 });
    expect(await hintOf(s.trainee, id, 0, 0)).toBe('Turn.');
    expect(await hintOf(s.trainee, id, 0, 0)).toBe('Turn.');
    expect(await hintOf(s.trainee, id, 0, 1)).toBe('Turn right.');
    for (const [step_, number] of [
      [0, 5],
      [7, 0],
    ] as const)
      await expect(hintOf(s.trainee, id, step_, number)).rejects.toMatchObject({ status: 404 });
    await expect(hintOf(s.instructor, id, 0, 2)).rejects.toMatchObject({ status: 404 });
    await handIn(s.trainee, id, asSent(trace));
    await expect(hintOf(s.trainee, id, 0, 2)).rejects.toMatchObject({ status: 404 });
  });

  it('a trainee has the models of their exercises, in the revisions that these use, and those of their own cards', async () => {
    const { revision } = await getModel(s.trainee, exercise.model.id);
    await reviseModel(s.instructor, exercise.model.id, async () => ({ files: [await buoyFile()], placement: { metresPerUnit: 3, up: '+z', turns: 0 } }));
    const newer = (await getModel(s.instructor, exercise.model.id)).revision;
    expect(newer.revision).toBe(2);
    await expect(getModel(s.trainee, exercise.model.id, 2)).rejects.toMatchObject({ status: 404 });
    await expect(openMeshFile(s.trainee, newer.meshHash)).rejects.toMatchObject({ status: 404 });
    expect((await getModel(s.trainee, exercise.model.id)).revision.revision).toBe(1);
    const { id, trace } = await opened();
    await handIn(s.trainee, id, asSent(trace));
    await takeBack(s.instructor, s.group.id, exercise.id, { attempts: 'count', why: '' });
    expect((await openMeshFile(s.trainee, revision.meshHash)).size).toBeGreaterThan(0);
    await expect(attemptSeen(s.trainee, id)).resolves.toBeDefined();
  });
});

describe('what is more than a hand gives', () => {
  const roll = (t: number, i = 0) => ({ t, command: { kind: 'roll' as const, angle: i % 2 ? 0.01 : -0.01 } });

  it('30,000 moves without a gesture, a break of a day, and an attempt at the limits are scored', async () => {
    const { id, trace } = await opened();
    service.pass(90_000);
    const moves = Array.from({ length: 30_000 }, (_, i) => roll(i / 100, i));
    const day = { ...roll(86_000), gesture: { id: 1, device: 'mouse' as const, binding: 'left drag' } };
    const events = [
      { t: 0, kind: 'begin' as const },
      { t: 86_001, kind: 'handIn' as const },
    ];
    await expect(handIn(s.trainee, id, asSent({ ...trace, moves: [...moves, day], events, end: 86_001 }))).resolves.toMatchObject({ flashes: 0 });
    const { attempt, unlikely } = await attemptSeen(s.instructor, id);
    expect(attempt.unlikely[0]).toMatchObject({ code: 'noGesture', times: 30_000 });
    expect(unlikely[0]).toMatch(/^30000 commands came from no gesture/);
    expect((await attemptSeen(s.trainee, id)).unlikely).toEqual([]);
    expect(attempt.late).toBe(true);

    const second = await opened();
    service.pass(90_000);
    const most = Array.from({ length: 120_000 }, (_, i) => roll(i / 1900, i));
    const end = 120_000 / 1900 + 1;
    const limits = {
      ...second.trace,
      moves: most,
      events: [
        { t: 0, kind: 'begin' as const },
        { t: end, kind: 'handIn' as const },
      ],
      end,
    };
    await expect(handIn(s.trainee, second.id, asSent(limits))).resolves.toBeDefined();
    await expect(handIn(s.trainee, (await opened()).id, asSent({ ...limits, moves: [...most, roll(end)] }))).rejects.toMatchObject({ status: 422 });
  });

  it('what cannot be scored in its time is refused, kept, and shown to those who teach', async () => {
    const { id, trace } = await opened();
    const slow = { ...s.trainee, pool: openPool({ seconds: { score: 0.001 } }) };
    try {
      await expect(handIn(slow, id, asSent(trace))).rejects.toMatchObject({ status: 422, code: 'refused-too-long' });
      expect((await progressOf(s.instructor, s.trainee.who.id)).refused).toMatchObject([{ id, title: 'Round' }]);
      // It is not tried again and again, and what was sent is still there.
      await expect(handIn(s.trainee, id, () => Promise.reject(new Error('not to be read')))).rejects.toMatchObject({ code: 'refused-too-long' });
      const row = await service.db('attempts').where({ id }).first('refused_body');
      expect(JSON.parse(gunzipSync(row.refused_body).toString())).toEqual(JSON.parse(JSON.stringify(trace)));
    } finally {
      await slow.pool.close();
    }
  });

  it('slips that differ only by case, accent or a blank at the end are counted apart, and none stops the card', async () => {
    const { id, trace } = await opened();
    const names = ['middle drag', 'Middle drag', 'míddle drag', 'middle drag '];
    const slips = names.map((gesture, i) => ({ t: i / 10, kind: 'slip' as const, step: 0, gesture, wanted: 'pan' }));
    await handIn(s.trainee, id, asSent({ ...trace, moves: [], events: slips }));
    expect((await service.db('attempt_slips').where({ attempt_id: id })).length).toBe(4);
  });

  it('a pause over everything, a late beginning, or an end at nothing gains no time', async () => {
    const { id, trace } = await opened();
    const at = (kind: 'begin' | 'pause' | 'resume' | 'handIn', t: number) => ({ kind, t });
    const forged: Trace[] = [
      { ...trace, events: [at('begin', 0), at('pause', 0.001), at('resume', trace.end - 0.001), at('handIn', trace.end)] },
      { ...trace, events: [at('begin', trace.end), at('handIn', trace.end)] },
      { ...trace, end: 0 },
    ];
    for (const each of forged) await expect(handIn(s.trainee, id, asSent(each))).rejects.toMatchObject({ code: 'refused-time' });
  });
});

describe('progress', () => {
  it('figures equal a recomputation from the attempts', async () => {
    for (let i = 0; i < 3; i++) {
      const { id, trace } = await opened();
      await handIn(s.trainee, id, asSent(i === 0 ? { ...trace, moves: [] } : trace));
    }
    const { attempts, standings, skills } = await progressOf(s.trainee, s.trainee.who.id);
    const cards = await Promise.all(attempts.map((a) => cardOf(service.db, a.id)));
    const scores = cards.map((card) => card?.score ?? 0);
    const mine = standings.find((x) => x.exerciseId === exercise.id);
    expect(mine).toMatchObject({ attempts: 3, best: Math.max(...scores), last: scores.at(-1), flashes: Math.max(...cards.map((c) => c?.flashes ?? 0)) });
    // The level and its recursion are held by hand in the tests of learning.
    expect(skills).toMatchObject([{ skill: 'orbit', family: 'mouse', count: 3, state: 'learning' }]);
    const group = await groupProgress(s.instructor, s.group.id);
    expect(group.learners[0]?.skills).toEqual(skills);
    expect((await progressCsv(s.trainee, s.trainee.who.id)).split('\r\n')).toHaveLength(4);
    expect(await groupCsv(s.instructor, s.group.id)).toContain(
      `${s.trainee.who.name},Orbit,mouse,${skills[0]?.shown.level.toFixed(1)},${skills[0]?.shown.low.toFixed(1)},`,
    );
  });

  it('old habits are told by scheme, and counted in the file', async () => {
    const { id, trace } = await opened();
    const slips = [1, 2].map((t) => ({ t, kind: 'slip' as const, step: 0, gesture: 'middle drag', wanted: 'pan' }));
    await handIn(s.trainee, id, asSent({ ...trace, moves: [], events: slips }));
    const next = await opened();
    await handIn(s.trainee, next.id, asSent(next.trace));
    const { habits } = await progressOf(s.trainee, s.trainee.who.id);
    expect(habits).toEqual([{ schemeId: mouse.id, scheme: mouse.name, gesture: 'middle drag', wanted: 'pan', times: 2, first: 2, last: 0 }]);
    const rows = (await progressCsv(s.instructor, s.trainee.who.id)).split('\r\n');
    expect(rows.map((row) => row.split(',').at(-1))).toEqual(['slips', '2', '0']);
  });

  it('habits are taken from the cards that were kept before there was a place for them', async () => {
    const { id, trace } = await opened();
    const slips = [1, 2, 3].map((t) => ({ t, kind: 'slip' as const, step: 0, gesture: t < 3 ? 'middle drag' : 'wheel', wanted: 'pan' }));
    await handIn(s.trainee, id, asSent({ ...trace, moves: [], events: slips }));
    const before = await service.db('attempt_slips').where({ attempt_id: id }).orderBy('gesture');
    expect(before.map((row) => [row.gesture, row.times])).toEqual([
      ['middle drag', 2],
      ['wheel', 1],
    ]);
    await slipsMigration.down(service.db);
    await slipsMigration.up(service.db);
    expect(await service.db('attempt_slips').where({ attempt_id: id }).orderBy('gesture')).toEqual(before);
  });

  it('shows no level on fewer than three attempts', async () => {
    const { id, trace } = await opened();
    await handIn(s.trainee, id, asSent(trace));
    expect((await progressOf(s.trainee, s.trainee.who.id)).skills).toMatchObject([{ state: 'few', count: 1 }]);
    // The file leaves the level empty.
    expect(await groupCsv(s.instructor, s.group.id)).toContain(`${s.trainee.who.name},Orbit,mouse,,,,few,1,`);
  });
});
