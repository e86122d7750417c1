import { levelShown, oddsOf, updateLevel } from '@core';
import { describe, expect, it } from 'vitest';
import { dayAt } from '../day';
import { addMember } from '../repositories/people';
import { forgetObservations, levelsOf } from '../repositories/skills';
import type { RequestContext } from '../service';
import { aModel, handInFor, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, takeBack } from './assigning';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { exerciseHealth, rebuildStats, refreshStats } from './health';
import { rebuildProgress } from './learning';
import { type Dates, groupProgress, progressOf, skillOpened, todayOf } from './progress';
import { leaveOut, setScore } from './verdicts';

const DAY = 86_400_000;
const { service, s } = useSchool();

/** Publishes an exercise and gives it to the group. */
async function given(dueOn: string | null = null): Promise<string> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  await saveDraft(s.instructor, id, toPublish((await draftRead(s.instructor, id)).draft));
  await publish(s.instructor, id, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn });
  return id;
}

/** A day so many days from now. */
const dayIn = (days: number): string => new Date(service.now().getTime() + days * DAY).toISOString().slice(0, 10);

/** All rows of what is known of learners, in a fixed order. */
async function known(): Promise<unknown[]> {
  const rows: unknown[] = [];
  for (const table of ['skill_levels', 'schedules', 'first_tries']) {
    const found: Record<string, unknown>[] = await service.db(table);
    rows.push(table, ...found.map((row) => JSON.stringify(row)).sort());
  }
  return rows;
}

const observed = (personId: string) => service.db('skill_observations').where({ person_id: personId }).orderBy(['at', 'attempt_id']);
const scoresOf = async (asked: RequestContext): Promise<number[]> => (await progressOf(asked, asked.who.id)).attempts.map(({ score }) => score);

describe('what attempts tell of exercises', () => {
  const kept = async (): Promise<string> => JSON.stringify(await service.db('exercise_stats').orderBy(['exercise_id', 'version']));
  it('is counted soon after a hand-in, and a rebuild gives the same', async () => {
    const [id, other] = [await given(), await given()];
    const second = { ...service, who: await person(service, 'trainee') };
    await addMember(service.db, s.group.id, second.who.id, 'trainee');
    await handInFor(s.trainee, id, 0.3);
    await handInFor(second, id, Math.PI);
    await handInFor(s.trainee, id, Math.PI);
    await handInFor(s.trainee, other, 1);
    expect(await refreshStats(service)).toBeGreaterThanOrEqual(2);
    expect(await refreshStats(service)).toBe(0);
    const [health] = await exerciseHealth(s.instructor, id, 1);
    const scores = await scoresOf(s.trainee);
    expect(health?.stats).toMatchObject({ attempts: 3, learners: 2, discrimination: null, firstMean: expect.closeTo(((scores[0] ?? 0) + 100) / 2, 1) });
    expect(health?.stats?.losses.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 4);
    const before = await kept();
    await rebuildStats(service);
    expect(await kept()).toBe(before);
    await expect(exerciseHealth(s.trainee, id, 1)).rejects.toMatchObject({ status: 404 });
  });

  it('holds its tolerances against what the author does', async () => {
    const id = await given();
    const flags = async (): Promise<string[]> => (await exerciseHealth(s.instructor, id, 1))[0]?.flags.map(({ kind }) => kind) ?? [];
    for (let i = 0; i < 2; i++) await handInFor(s.instructor, id, 2.4);
    await handInFor(s.trainee, id, 0.3);
    expect(await flags()).toEqual([]);
    await handInFor(s.instructor, id, 2.4);
    expect(await flags()).toEqual(['tight']);
  });

  it('follows what is left out', async () => {
    const id = await given();
    const attempt = await handInFor(s.trainee, id, 0.3);
    await refreshStats(service);
    await leaveOut(s.instructor, attempt, 'a broken mouse');
    await refreshStats(service);
    expect((await exerciseHealth(s.instructor, id, 1))[0]?.stats).toBeNull();
  });
});

describe('what attempts tell of skills', () => {
  it('is kept with the hand-in: the level is the one folded from the scores by hand', async () => {
    const id = await given();
    for (const angle of [0.3, 1.5, 3]) {
      await handInFor(s.trainee, id, angle);
      service.pass(3600);
    }
    const scores = await scoresOf(s.trainee);
    const rows = await observed(s.trainee.who.id);
    expect(rows.map(({ score }) => score)).toEqual(scores.map((score) => expect.closeTo(score, 9)));
    const folded = rows.reduce(
      (state, row) => updateLevel(state, { score: row.score, at: row.at.getTime() / DAY, difficulty: row.difficulty, helped: true }),
      null,
    );
    const [line] = await levelsOf(service.db, [s.trainee.who.id]);
    expect(line?.level).toMatchObject({ ...folded, days: 1 });
    const [seen] = (await progressOf(s.trainee, s.trainee.who.id)).skills;
    expect(seen).toMatchObject({
      skill: rows[0].skill,
      family: 'mouse',
      count: 3,
      state: 'learning',
      shown: levelShown(folded, service.now().getTime() / DAY),
    });
  });

  it('is the same when all of it is made anew, with attempts left out and scores set, and from the attempts alone', async () => {
    const [one, two] = [await given(), await given()];
    const other = await person(service, 'trainee');
    await addMember(service.db, s.group.id, other.id, 'trainee');
    const them = { ...s.trainee, who: other };
    const ids: string[] = [];
    for (const [asked, exercise, angle] of [
      [s.trainee, one, 0.3],
      [them, one, 2.6],
      [s.trainee, two, 3],
      [them, two, 1],
      [s.trainee, one, 3.1],
    ] as const) {
      ids.push(await handInFor(asked, exercise, angle));
      service.pass(26 * 3600);
    }
    const before = await known();
    expect(before.length).toBeGreaterThan(6);
    await rebuildProgress(service);
    expect(await known()).toEqual(before);
    // Also where nothing was kept but the attempts, as after an update.
    await forgetObservations(service.db);
    const { attempts } = await rebuildProgress(service);
    expect(attempts).toBeGreaterThanOrEqual(5);
    expect(await known()).toEqual(before);
    await leaveOut(s.instructor, ids[0] as string, 'the mouse was broken');
    await setScore(s.instructor, ids[2] as string, { score: 35, why: 'by another way' });
    const decided = await known();
    expect(decided).not.toEqual(before);
    await rebuildProgress(service);
    expect(await known()).toEqual(decided);
    await leaveOut(s.instructor, ids[0] as string, null);
    await setScore(s.instructor, ids[2] as string, null);
    expect(await known()).toEqual(before);
  });

  it('an exercise is as hard as the first tries of others were, by the time an attempt is taken in', async () => {
    const [easy, hard] = [await given(), await given()];
    await handInFor(s.trainee, easy, 3);
    await handInFor(s.trainee, hard, 0.3);
    const rows = await observed(s.trainee.who.id);
    // Nobody had tried either.
    expect(rows.map(({ difficulty }) => difficulty)).toEqual([0, 0]);
    const other = await person(service, 'trainee');
    await addMember(service.db, s.group.id, other.id, 'trainee');
    await handInFor({ ...s.trainee, who: other }, hard, 1);
    const [theirs] = await observed(other.id);
    const odds = rows.map(({ score }) => Math.round(oddsOf(score) * 1e6) / 1e6) as [number, number];
    const tries: { learners: number; odds_millionths: number }[] = await service.db('first_tries').where({ skill: theirs.skill });
    // All first tries of the skill at the station count, those of earlier tests too; theirs is taken off again.
    const all = tries.reduce((sum, row) => ({ n: sum.n + row.learners, odds: sum.odds + Number(row.odds_millionths) / 1e6 }), {
      n: -1,
      odds: -oddsOf(theirs.score),
    });
    expect(theirs.difficulty).toBeCloseTo((all.odds / all.n - odds[1]) / 6, 4);
  });

  it('what is left out counts nowhere, and taking an exercise back can leave it out', async () => {
    const id = await given();
    const attempt = await handInFor(s.trainee, id, 3);
    await leaveOut(s.instructor, attempt, 'the mouse was broken');
    expect((await progressOf(s.trainee, s.trainee.who.id)).skills).toEqual([]);
    await leaveOut(s.instructor, attempt, null);
    expect((await progressOf(s.trainee, s.trainee.who.id)).skills).toHaveLength(1);
    await takeBack(s.instructor, s.group.id, id, { attempts: 'doNotCount', why: '' });
    expect((await progressOf(s.trainee, s.trainee.who.id)).skills).toEqual([]);
    expect(await service.db('first_tries').where({ exercise_id: id })).toEqual([]);
  });

  it('two attempts handed in at the same moment are both taken in', async () => {
    const id = await given();
    await Promise.all([0.3, 1, 2, 3].map((angle) => handInFor(s.trainee, id, angle)));
    const [line] = await levelsOf(service.db, [s.trainee.who.id]);
    expect(line?.level.count).toBe(4);
    const before = await known();
    await rebuildProgress(service);
    expect(await known()).toEqual(before);
  });
});

describe('today', () => {
  it('tells what is overdue, what is due, and the next of the course', async () => {
    const [late, soon, next] = [await given(dayIn(-2)), await given(dayIn(3)), await given()];
    const { reasons } = await todayOf(s.trainee);
    expect(reasons.map(({ kind, exerciseId }) => [kind, exerciseId])).toEqual([
      ['overdue', late],
      ['due', soon],
      ['next', next],
    ]);
  });

  it('a skill is due when its day has come', async () => {
    const id = await given();
    await handInFor(s.trainee, id, Math.PI);
    expect((await todayOf(s.trainee)).reasons.filter(({ kind }) => kind === 'skill')).toEqual([]);
    service.pass(40 * 24 * 3600);
    expect((await todayOf(s.trainee)).reasons).toMatchObject([
      { kind: 'skill', exerciseId: id, schemeId: 'two-button-mouse', words: expect.stringMatching(/with the mouse: last practised 40 days ago$/) },
    ]);
  });
});

describe('one skill opened', () => {
  it('shows its attempts and what they lost, to the learner and those who teach them alone', async () => {
    const id = await given();
    await handInFor(s.trainee, id, 1);
    const { tries, losses } = await skillOpened(s.trainee, s.trainee.who.id, 'orbit');
    expect(tries).toMatchObject([{ exerciseId: id, title: 'Title', family: 'mouse' }]);
    expect(losses.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
    expect(await skillOpened(s.instructor, s.trainee.who.id, 'orbit')).toMatchObject({ tries: [{ exerciseId: id }] });
    const stranger = await person(service, 'trainee');
    await expect(skillOpened({ ...s.trainee, who: stranger }, s.trainee.who.id, 'orbit')).rejects.toMatchObject({ status: 404 });
    expect(await skillOpened(s.trainee, s.trainee.who.id, "nonsense' or 1=1")).toEqual({ tries: [], losses: [] });
  });

  it('of a hidden target its learner gets no losses', async () => {
    const { model } = await aModel(s.instructor);
    const id = await makeExercise(s.instructor, model.id);
    await saveDraft(s.instructor, id, { ...toPublish((await draftRead(s.instructor, id)).draft), showTarget: false, liveHelp: false });
    await publish(s.instructor, id, [null]);
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
    await handInFor(s.trainee, id, 1);
    expect((await skillOpened(s.trainee, s.trainee.who.id, 'orbit')).losses).toEqual([]);
    expect((await skillOpened(s.instructor, s.trainee.who.id, 'orbit')).losses.length).toBeGreaterThan(0);
  });
});

describe('who needs a word', () => {
  it('one who tries and gets no further, with the attempt that shows it', async () => {
    const id = await given();
    const ids: string[] = [];
    for (let n = 0; n < 5; n++) ids.push(await handInFor(s.trainee, id, 0.3));
    const { learners } = await groupProgress(s.instructor, s.group.id);
    expect(learners[0]?.concerns.map(({ kind }) => kind)).toContain('stalled');
    expect(ids).toContain(learners[0]?.concerns[0]?.attemptId);
    expect(learners[0]?.latest).toHaveLength(5);
  });
});

it('a group is looked at by days: attempts and bests of those, levels of all time', async () => {
  const id = await given();
  await handInFor(s.trainee, id, 1);
  const before = dayAt(service.now(), service.zone);
  service.pass(2 * 86_400);
  await handInFor(s.trainee, id, 0.3);
  const after = dayAt(service.now(), service.zone);
  const seen = async (dates: Dates) => {
    const { learners, recent } = await groupProgress(s.instructor, s.group.id, dates);
    const [learner] = learners;
    return {
      attempts: learner?.standings.find((one) => one.exerciseId === id)?.attempts,
      latest: learner?.latest.length,
      recent: recent.length,
      skills: learner?.skills,
    };
  };
  const all = await seen({});
  expect(all).toMatchObject({ attempts: 2, latest: 2, recent: 2 });
  expect(await seen({ from: after })).toEqual({ attempts: 1, latest: 1, recent: 1, skills: all.skills });
  expect(await seen({ to: before })).toMatchObject({ attempts: 1, latest: 1 });
  expect(await seen({ from: before, to: after })).toEqual(all);
  expect(await seen({ from: '2050-01-01' })).toMatchObject({ attempts: 0, latest: 0, recent: 0 });
});
