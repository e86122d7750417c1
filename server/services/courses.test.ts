import type { CourseContent } from '@core';
import { beforeEach, describe, expect, it } from 'vitest';
import { addGroup, addMember } from '../repositories/people';
import type { RequestContext } from '../service';
import { aModel, handInFor, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, assignmentsOfGroup, takeBack } from './assigning';
import { openAttempt } from './attempts';
import { changeCourse, copyCourse, courseRead, coursesRead, giveCourse, makeCourse, saveCourse, takeCourseBack } from './courses';
import { archiveExercise, draftRead, makeExercise, publish, saveDraft, versionToPractise } from './exercises';
import { noticesRead } from './messages';
import { addNote, extraTimeOf, giveExtraTime, notesAbout, removeNote } from './notes';
import { groupProgress, progressOf, todayOf } from './progress';

const DAY = 86_400_000;
const { service, s } = useSchool();
/** Two published exercises and one that is a draft. */
let [first, second, draft] = ['', '', ''];

beforeEach(async () => {
  const { model } = await aModel(s.instructor);
  const made = async (): Promise<string> => {
    const id = await makeExercise(s.instructor, model.id);
    await saveDraft(s.instructor, id, toPublish((await draftRead(s.instructor, id)).draft));
    return id;
  };
  [first, second, draft] = [await made(), await made(), await made()];
  for (const id of [first, second]) await publish(s.instructor, id, [null]);
});

const dayIn = (days: number): string => new Date(service.now().getTime() + days * DAY).toISOString().slice(0, 10);
const unit = (id: string, exerciseIds: string[], opensAfter: string | null = null) => ({ id, name: `Unit ${id}`, about: '', opensAfter, exerciseIds });
const content = (...units: CourseContent['units']): CourseContent => ({ name: 'A course', about: '', threshold: 80, units });
const plan = (startsOn = dayIn(0), pace: number | null = 7, dues: Record<string, string> = {}) => ({ startsOn, pace, dues });
/** Makes a course of two units, the second after the first, and gives it to the group. */
async function given(how = plan()): Promise<string> {
  const id = await makeCourse(s.instructor, content(unit('a', [first]), unit('b', [second], 'a')));
  await giveCourse(s.instructor, s.group.id, id, how);
  return id;
}
const assigned = async (): Promise<string[]> => (await assignmentsOfGroup(s.instructor, s.group.id)).map(({ exerciseId }) => exerciseId);

describe('a course given to a group', () => {
  it('is what the trainee finds: units in order, each due by the pace, the second closed until the first is flashed', async () => {
    const id = await given();
    const { courses, standings, closed } = await progressOf(s.trainee, s.trainee.who.id);
    expect(courses).toMatchObject([
      {
        courseId: id,
        units: [
          { dueOn: dayIn(6), standing: { state: 'open' } },
          { dueOn: dayIn(13), standing: { state: 'closed', waitsFor: 'Unit a' } },
        ],
      },
    ]);
    expect(standings.map(({ exerciseId, dueOn }) => [exerciseId, dueOn])).toEqual([
      [first, dayIn(6)],
      [second, dayIn(13)],
    ]);
    expect([...closed.keys()]).toEqual([second]);
    expect((await todayOf(s.trainee)).reasons.map(({ exerciseId }) => exerciseId)).toEqual([first]);
    await expect(versionToPractise(s.trainee, second)).rejects.toMatchObject({
      status: 403,
      code: 'closed',
      message: expect.stringContaining('“Unit a” has a flash'),
    });
    await expect(openAttempt(s.trainee, { exerciseId: second, version: 1, schemeId: 'two-button-mouse' })).rejects.toMatchObject({ code: 'closed' });

    await handInFor(s.trainee, first, Math.PI);
    expect((await progressOf(s.trainee, s.trainee.who.id)).courses[0]?.units.map(({ standing }) => standing.state)).toEqual(['done', 'open']);
    await handInFor(s.trainee, second);
    expect((await noticesRead(s.trainee)).map(({ words }) => words)).toEqual([expect.stringContaining('You have a course: “A course”.')]);
  });

  it('has nothing to do before it begins', async () => {
    await given(plan(dayIn(2)));
    expect((await todayOf(s.trainee)).reasons).toEqual([]);
    await expect(versionToPractise(s.trainee, first)).rejects.toMatchObject({ code: 'closed', message: expect.stringContaining('“A course” begins on 7 May') });
    expect((await groupProgress(s.instructor, s.group.id)).learners[0]?.concerns).toEqual([]);
    service.pass(2 * 24 * 3600);
    expect((await versionToPractise(s.trainee, first)).exerciseId).toBe(first);
    service.pass(-2 * 24 * 3600);
  });

  it('is given again with other days: they change, and nobody is told twice', async () => {
    const id = await given();
    await giveCourse(s.instructor, s.group.id, id, plan(dayIn(-3), null, { b: dayIn(1) }));
    expect((await groupProgress(s.instructor, s.group.id)).courses).toMatchObject([
      {
        startsOn: dayIn(-3),
        pace: null,
        units: [
          { dueOn: null, set: false },
          { dueOn: dayIn(1), set: true },
        ],
      },
    ]);
    expect(await noticesRead(s.trainee)).toHaveLength(1);
    await expect(giveCourse(s.instructor, s.group.id, id, plan(dayIn(5), 7, { b: dayIn(1) }))).rejects.toMatchObject({ field: 'dues.b' });
    await expect(giveCourse(s.instructor, s.group.id, id, plan(dayIn(0), 7, { z: dayIn(1) }))).rejects.toMatchObject({ field: 'dues' });
  });

  it('reaches the group as it is saved: what comes in is assigned, what goes out is not, what is published later follows', async () => {
    const id = await given();
    await saveCourse(s.instructor, id, content(unit('a', [second, draft])), 1);
    expect(await assigned()).toEqual([second]);
    await publish(s.instructor, draft, [null]);
    expect(await assigned()).toEqual([second, draft]);
    await takeCourseBack(s.instructor, s.group.id, id);
    expect(await assigned()).toEqual([]);
    expect((await noticesRead(s.trainee)).some(({ words }) => words.includes('took back the course'))).toBe(true);
  });

  it('leaves alone what was given by itself, and that stays open', async () => {
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: second, dueOn: dayIn(1) });
    const id = await given();
    const { standings, closed } = await progressOf(s.trainee, s.trainee.who.id);
    expect(standings.find(({ exerciseId }) => exerciseId === second)?.dueOn).toBe(dayIn(1));
    expect(closed.size).toBe(0);
    await expect(takeBack(s.instructor, s.group.id, first, { attempts: 'count', why: '' })).rejects.toMatchObject({ field: 'exerciseId' });
    // Taken back by itself, it is still there by the course.
    await takeBack(s.instructor, s.group.id, second, { attempts: 'count', why: '' });
    expect((await assignmentsOfGroup(s.instructor, s.group.id)).find(({ exerciseId }) => exerciseId === second)).toMatchObject({ alone: false, dueOn: null });
    await takeCourseBack(s.instructor, s.group.id, id);
    expect(await assigned()).toEqual([]);
  });

  it('with another one that holds the same exercise: the earlier day counts, and it is open where one of them opens it', async () => {
    await given();
    const other = await makeCourse(s.instructor, content(unit('z', [second])));
    await giveCourse(s.instructor, s.group.id, other, plan(dayIn(0), 3));
    const { standings, closed } = await progressOf(s.trainee, s.trainee.who.id);
    expect(standings.filter(({ exerciseId }) => exerciseId === second).map(({ dueOn }) => dueOn)).toEqual([dayIn(2)]);
    expect(closed.size).toBe(0);
    // One that begins later keeps nobody from what is open already.
    const third = await makeCourse(s.instructor, content(unit('x', [second])));
    await giveCourse(s.instructor, s.group.id, third, plan(dayIn(5), 1));
    const now = await progressOf(s.trainee, s.trainee.who.id);
    expect(now.standings.find(({ exerciseId }) => exerciseId === second)).toMatchObject({ from: dayIn(0), dueOn: dayIn(2) });
    expect(now.closed.size).toBe(0);
  });

  it('is due later for one who was given more time, with the reason, and for nobody else', async () => {
    await given();
    await giveExtraTime(s.instructor, s.trainee.who.id, { days: 4, why: 'a broken wrist' });
    const { standings, courses } = await progressOf(s.trainee, s.trainee.who.id);
    expect(standings.map(({ dueOn }) => dueOn)).toEqual([dayIn(10), dayIn(17)]);
    expect(courses[0]?.units[0]?.dueOn).toBe(dayIn(10));
    expect((await groupProgress(s.instructor, s.group.id)).learners[0]?.standings[0]?.dueOn).toBe(dayIn(10));
    expect((await noticesRead(s.trainee)).some(({ words }) => words === 'You have 4 more days for everything: a broken wrist.')).toBe(true);
    expect(await extraTimeOf(s.instructor, s.trainee.who.id)).toMatchObject({ days: 4, by: s.instructor.who.name });
    await expect(giveExtraTime(s.instructor, s.trainee.who.id, { days: 4, why: ' ' })).rejects.toMatchObject({ field: 'why' });
    await expect(giveExtraTime(s.trainee, s.trainee.who.id, { days: 4, why: 'I want' })).rejects.toMatchObject({ status: 404 });
    await giveExtraTime(s.instructor, s.trainee.who.id, { days: 0, why: '' });
    expect((await progressOf(s.trainee, s.trainee.who.id)).standings[0]?.dueOn).toBe(dayIn(6));
  });

  it('says from which level a skill is mastered: the highest of the courses', async () => {
    const id = await given();
    for (let i = 0; i < 5; i++) {
      await handInFor(s.trainee, first, Math.PI);
      service.pass(24 * 3600);
    }
    const stateNow = async () => (await progressOf(s.trainee, s.trainee.who.id)).skills.map(({ state }) => state);
    expect(await stateNow()).toEqual(['mastered']);
    await saveCourse(s.instructor, id, { ...content(unit('a', [first])), threshold: 99 }, 1);
    expect(await stateNow()).toEqual(['learning']);
  });
});

describe('who may do what with a course', () => {
  let other: RequestContext;
  beforeEach(async () => {
    const who = await person(service, 'instructor');
    const group = { id: crypto.randomUUID(), name: 'Another group' };
    await addGroup(service.db, group, service.now());
    await addMember(service.db, group.id, who.id, 'instructor');
    other = { ...service, who };
  });

  it('is its owner to change it, others to read what is shared, and a lead everything', async () => {
    const id = await given();
    await expect(courseRead(other, id)).rejects.toMatchObject({ status: 404 });
    await expect(courseRead(s.trainee, id)).rejects.toMatchObject({ status: 404 });
    await expect(coursesRead(s.trainee)).rejects.toMatchObject({ status: 403 });
    await changeCourse(s.instructor, id, { shared: true });
    expect(await courseRead(other, id)).toMatchObject({ mine: false });
    await expect(saveCourse(other, id, content(), 1)).rejects.toMatchObject({ status: 403 });
    await expect(giveCourse(other, s.group.id, id, plan())).rejects.toMatchObject({ status: 404 });
    await saveCourse(s.lead, id, content(unit('a', [first])), 1);
    // A copy holds what one may read: these exercises are not shared.
    expect((await courseRead(other, await copyCourse(other, id))).content).toMatchObject({ name: 'A course, copy', units: [{ exerciseIds: [] }] });
  });

  it('refuses exercises that one may not read', async () => {
    await expect(makeCourse(other, content(unit('a', [first])))).rejects.toMatchObject({ status: 404 });
    await expect(makeCourse(s.instructor, content(unit('a', ['nothing'])))).rejects.toMatchObject({ status: 404 });
  });

  it('keeps one of two changes made at the same moment, and says so to the other', async () => {
    const id = await given();
    const both = await Promise.allSettled([1, 2, 3].map((n) => saveCourse(s.instructor, id, { ...content(unit('a', [first])), name: `Name ${n}` }, 1)));
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(both.flatMap((each) => (each.status === 'rejected' ? [each.reason.code] : []))).toEqual(['changed', 'changed']);
    expect((await courseRead(s.instructor, id)).revision).toBe(2);
  });

  it('is not put away while a group has it, nor are its exercises', async () => {
    const id = await given();
    await expect(changeCourse(s.instructor, id, { archived: true })).rejects.toMatchObject({ field: 'archived' });
    await takeCourseBack(s.instructor, s.group.id, id);
    await expect(archiveExercise(s.instructor, first, true)).rejects.toMatchObject({ message: expect.stringContaining('“A course”') });
    await changeCourse(s.instructor, id, { archived: true });
    await expect(giveCourse(s.instructor, s.group.id, id, plan())).rejects.toMatchObject({ field: 'courseId' });
  });
});

describe('notes about a learner', () => {
  it('are for those who teach them, and taken away by who wrote them', async () => {
    const id = await addNote(s.instructor, s.trainee.who.id, ' Left-handed ');
    expect(await notesAbout(s.lead, s.trainee.who.id)).toMatchObject([{ words: 'Left-handed', author: s.instructor.who.name, mine: false }]);
    await expect(notesAbout(s.trainee, s.trainee.who.id)).rejects.toMatchObject({ status: 404 });
    await expect(notesAbout({ ...service, who: await person(service, 'instructor') }, s.trainee.who.id)).rejects.toMatchObject({ status: 404 });
    await expect(removeNote(s.lead, id)).rejects.toMatchObject({ status: 404 });
    await removeNote(s.instructor, id);
    expect(await notesAbout(s.instructor, s.trainee.who.id)).toEqual([]);
    await expect(addNote(s.instructor, s.trainee.who.id, '  ')).rejects.toMatchObject({ field: 'words' });
  });
});
