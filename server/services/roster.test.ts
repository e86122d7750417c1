import { strFromU8, unzipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { attemptLines } from '../repositories/attempts';
import type { RequestContext } from '../service';
import { placesOf } from '../tests/placesOf';
import { aModel, handInFor, PASSWORD, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { auditRead } from './audit';
import { addComment } from './comments';
import { giveCourse, makeCourse } from './courses';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { importPeople, previewPeople } from './importing';
import { openJoining } from './joining';
import { rebuildProgress } from './learning';
import { answerTo, noticesRead, writeTo } from './messages';
import { hashingFor, newPasswords } from './passwords';
import { addToGroup, deleteGroup, groupsListed, makeGroup, makePerson, peopleOfGroup, renameGroup } from './people';
import { changeRole, deletePerson, movePeople, renamePerson, roster, setActive, whatTheyLeave } from './roster';
import { signIn, whoIs } from './signIn';
import { setScore } from './verdicts';
import { wholePerson } from './wholePerson';

const { service, s } = useSchool();

const as = (who: RequestContext['who']): RequestContext => ({ ...service, who });
const words = async (): Promise<string[]> => (await auditRead(s.lead)).map((line) => line.words);

/** An exercise of the instructor that the trainee tried, with all that can hang on that. */
async function tried(): Promise<{ exerciseId: string; attemptId: string }> {
  const { model } = await aModel(s.instructor);
  const exerciseId = await makeExercise(s.instructor, model.id);
  await saveDraft(s.instructor, exerciseId, toPublish((await draftRead(s.instructor, exerciseId)).draft));
  await publish(s.instructor, exerciseId, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId, dueOn: null });
  const attemptId = await handInFor(s.trainee, exerciseId, 2.5);
  const comment = await addComment(s.instructor, attemptId, { t: 1, point: null, words: 'Look up', answersId: null });
  await addComment(s.trainee, attemptId, { t: 1, point: null, words: 'I will', answersId: comment });
  return { exerciseId, attemptId };
}

describe('a person is deleted', () => {
  it('and nothing of them is left in any table; what is known of others is what a rebuild gives', async () => {
    const { exerciseId } = await tried();
    const other = as(await addToGroup(s.instructor, s.group.id, { name: 'Other Learner', signIn: `other${Date.now()}`, password: PASSWORD, role: 'trainee' }));
    await handInFor(other, exerciseId, 1);
    await writeTo(s.instructor, [s.trainee.who.id], 'Well done');
    await signIn(service, s.trainee.who.signIn, PASSWORD, '10.1.1.1');
    await signIn(service, s.trainee.who.signIn, 'wrong password', '10.1.1.1').catch(() => null);
    await movePeople(s.lead, [s.trainee.who.id], { from: null, to: (await makeGroup(s.lead, 'Second')).id });
    expect((await placesOf(service.db, s.trainee.who.id)).length).toBeGreaterThan(8);

    service.pass(1);
    await deletePerson(s.lead, s.trainee.who.id, null);
    expect(await placesOf(service.db, s.trainee.who.id, s.trainee.who.signIn, s.trainee.who.name)).toEqual([]);
    const known = async () => JSON.stringify([await service.db('skill_levels').orderBy('person_id'), await service.db('first_tries').orderBy('exercise_id')]);
    const kept = await known();
    await rebuildProgress(service);
    expect(await known()).toBe(kept);
    expect((await words())[0]).toBe(`${s.lead.who.name} deleted a person who was trainee, with all data.`);
    expect((await words()).some((line) => line.includes('put somebody who was deleted into “Second”'))).toBe(true);
  });

  it('and what an author made passes to somebody who is named', async () => {
    const { exerciseId, attemptId } = await tried();
    const course = await makeCourse(s.instructor, {
      name: 'C',
      about: '',
      threshold: 80,
      units: [{ id: 'a', name: 'A', about: '', opensAfter: null, exerciseIds: [exerciseId] }],
    });
    await giveCourse(s.instructor, s.group.id, course, { startsOn: '2031-05-01', pace: null, dues: {} });
    await setScore(s.instructor, attemptId, { score: 70, why: 'the mouse broke' });
    const heir = await person(service, 'instructor');
    expect(await whatTheyLeave(s.lead, s.instructor.who.id)).toMatchObject({
      models: 1,
      exercises: 1,
      courses: 1,
      schemes: 0,
      heirs: expect.arrayContaining([{ id: heir.id, name: heir.name }]),
    });
    await expect(deletePerson(s.lead, s.instructor.who.id, null)).rejects.toMatchObject({ field: 'heirId' });
    await expect(deletePerson(s.lead, s.instructor.who.id, s.trainee.who.id)).rejects.toMatchObject({ field: 'heirId' });
    await deletePerson(s.lead, s.instructor.who.id, heir.id);
    expect(await placesOf(service.db, s.instructor.who.id, s.instructor.who.name)).toEqual([]);
    expect((await draftRead(as(heir), exerciseId)).mine).toBe(true);
    expect((await service.db('attempts').where({ id: attemptId }).first('set_score', 'set_by')) as unknown).toEqual({ set_score: 70, set_by: null });
  });

  it('is for leads, never oneself, never the only lead', async () => {
    await expect(deletePerson(s.instructor, s.trainee.who.id, null)).rejects.toMatchObject({ status: 403 });
    await expect(deletePerson(s.lead, s.lead.who.id, null)).rejects.toMatchObject({ field: 'person' });
    await expect(deletePerson(s.lead, 'nobody', null)).rejects.toMatchObject({ status: 404 });
    await service.db('people').where({ role: 'lead' }).whereNot({ id: s.lead.who.id }).update({ role: 'trainee' });
    const second = as(await person(service, 'lead'));
    await changeRole(second, s.lead.who.id, 'instructor');
    // The one who asks may be no lead any more by the time it is done: another one has to stay.
    await expect(deletePerson({ ...s.lead, who: { ...s.lead.who, role: 'lead' } }, second.who.id, null)).rejects.toMatchObject({
      message: expect.stringContaining('only lead'),
    });
  });
});

describe('what others were told', () => {
  it('names a deleted person no more, and loses no other word', async () => {
    const who = await makePerson(service, { name: 'An', signIn: `an${Date.now()}`, role: 'instructor', password: PASSWORD });
    for (const text of ['An took back “Another Andean way”.', 'Ask An. Ann knows.']) await writeTo(s.instructor, [s.trainee.who.id], text);
    await deletePerson(s.lead, who.id, null);
    expect((await noticesRead(s.trainee)).map((notice) => notice.words).sort()).toEqual([
      'Ask Somebody. Ann knows.',
      'Somebody took back “Another Andean way”.',
    ]);
  });
});

describe('a person is kept out, moved, given another role', () => {
  it('is signed out at once, and may come back to what was theirs', async () => {
    const { token } = await signIn(service, s.trainee.who.signIn, PASSWORD, '10.1.1.2');
    await setActive(s.lead, s.trainee.who.id, false);
    expect(await whoIs(service, token)).toBeNull();
    await expect(signIn(service, s.trainee.who.signIn, PASSWORD, '10.1.1.2')).rejects.toMatchObject({ code: 'deactivated' });
    await expect(signIn(service, s.trainee.who.signIn, 'wrong password', '10.1.1.2')).rejects.toMatchObject({ code: 'wrong' });
    expect((await peopleOfGroup(s.instructor, s.group.id)).trainees).toEqual([]);
    expect((await roster(s.lead)).find(({ id }) => id === s.trainee.who.id)).toMatchObject({ deactivated: true });
    await setActive(s.lead, s.trainee.who.id, true);
    expect((await peopleOfGroup(s.instructor, s.group.id)).trainees).toHaveLength(1);
    await expect(setActive(s.lead, s.lead.who.id, false)).rejects.toMatchObject({ field: 'person' });
    await expect(setActive(s.instructor, s.trainee.who.id, false)).rejects.toMatchObject({ status: 403 });
  });

  it('gets a new password with others, all of them or none', async () => {
    const { signIn: name } = s.trainee.who;
    const { token } = await signIn(service, name, PASSWORD, '10.1.1.3');
    await expect(newPasswords(s.instructor, [s.trainee.who.id, 'nobody'])).rejects.toMatchObject({ status: 404 });
    await expect(newPasswords(s.trainee, [s.trainee.who.id])).rejects.toMatchObject({ status: 404 });
    await expect(newPasswords(s.lead, [s.trainee.who.id, s.lead.who.id])).rejects.toMatchObject({ field: 'personIds' });
    expect(await whoIs(service, token)).not.toBeNull();
    service.pass(1);
    const [given] = await newPasswords(s.instructor, [s.trainee.who.id]);
    expect(given).toEqual({ name: s.trainee.who.name, signIn: name, password: expect.stringMatching(/^\w{4}-\w{4}-\w{4}$/) });
    expect(await whoIs(service, token)).toBeNull();
    await expect(signIn(service, name, PASSWORD, '10.1.1.3')).rejects.toMatchObject({ code: 'wrong' });
    await signIn(service, name, given?.password ?? '', '10.1.1.3');
    expect((await words())[0]).toBe(`${s.instructor.who.name} set a new password for ${s.trainee.who.name}.`);
  });

  it('goes from group to group, by a lead or between one’s own', async () => {
    const second = await makeGroup(s.lead, 'Second');
    await expect(movePeople(s.instructor, [s.trainee.who.id], { from: s.group.id, to: second.id })).rejects.toMatchObject({ status: 404 });
    await movePeople(s.lead, [s.trainee.who.id, s.instructor.who.id], { from: s.group.id, to: second.id });
    expect(await peopleOfGroup(s.lead, second.id)).toMatchObject({ instructors: [{ id: s.instructor.who.id }], trainees: [{ id: s.trainee.who.id }] });
    await movePeople(s.lead, [s.instructor.who.id], { from: null, to: s.group.id });
    service.pass(1);
    await movePeople(s.instructor, [s.trainee.who.id], { from: second.id, to: s.group.id });
    await expect(movePeople(s.instructor, [s.instructor.who.id], { from: s.group.id, to: null })).rejects.toMatchObject({ status: 403 });
    // All of it or nothing: one who is not there keeps the others back.
    await expect(movePeople(s.lead, [s.trainee.who.id, 'nobody'], { from: s.group.id, to: second.id })).rejects.toMatchObject({ status: 404 });
    expect((await peopleOfGroup(s.lead, s.group.id)).trainees).toHaveLength(1);
    expect((await words())[0]).toBe(`${s.instructor.who.name} moved ${s.trainee.who.name} from “Second” to “${s.group.name}”.`);
    await expect(auditRead(s.instructor)).rejects.toMatchObject({ status: 403 });
  });
});

describe('names, and groups that end', () => {
  it('a lead names a person anew; nobody else does', async () => {
    for (const other of [s.instructor, s.trainee]) await expect(renamePerson(other, s.trainee.who.id, 'Other')).rejects.toMatchObject({ status: 403 });
    await expect(renamePerson(s.lead, s.trainee.who.id, '  ')).rejects.toMatchObject({ field: 'name' });
    await expect(renamePerson(s.lead, 'nobody', 'Other')).rejects.toMatchObject({ status: 404 });
    service.pass(1);
    await renamePerson(s.lead, s.trainee.who.id, ' Ann Other ');
    expect((await peopleOfGroup(s.lead, s.group.id)).trainees).toMatchObject([{ name: 'Ann Other', signIn: s.trainee.who.signIn }]);
    expect((await words())[0]).toBe(`${s.lead.who.name} changed the name of Ann Other.`);
  });

  it('a lead names a group anew and deletes it; its people and what they did stay', async () => {
    expect(await groupsListed(s.instructor)).toMatchObject([{ id: s.group.id, learners: 1, lastAt: null }]);
    const { attemptId } = await tried();
    expect(await groupsListed(s.instructor)).toMatchObject([{ learners: 1, lastAt: expect.any(Date) }]);
    await openJoining(s.instructor, s.group.id, 3);
    for (const other of [s.instructor, s.trainee]) {
      await expect(renameGroup(other, s.group.id, 'Other')).rejects.toMatchObject({ status: 403 });
      await expect(deleteGroup(other, s.group.id)).rejects.toMatchObject({ status: 403 });
    }
    await expect(renameGroup(s.lead, s.group.id, '')).rejects.toMatchObject({ field: 'name' });
    service.pass(1);
    await renameGroup(s.lead, s.group.id, 'Night watch');
    expect((await words())[0]).toBe(`${s.lead.who.name} named the group “${s.group.name}” “Night watch”.`);
    service.pass(1);
    // Several at once delete it once.
    const tries = await Promise.allSettled(Array.from({ length: 4 }, () => deleteGroup(s.lead, s.group.id)));
    expect(tries.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect((await words())[0]).toBe(`${s.lead.who.name} deleted the group “Night watch”; its 2 people stay.`);
    await expect(deleteGroup(s.lead, s.group.id)).rejects.toMatchObject({ status: 404 });
    const everybody = await roster(s.lead);
    for (const { who } of [s.trainee, s.instructor]) expect(everybody.find(({ id }) => id === who.id)).toMatchObject({ groups: [] });
    expect(await attemptLines(s.lead.db, [s.trainee.who.id])).toMatchObject([{ id: attemptId, counts: true }]);
    for (const table of ['memberships', 'assignments', 'join_codes']) expect(await s.lead.db(table).where({ group_id: s.group.id })).toEqual([]);
  });
});

describe('one writes to people', () => {
  it('and they answer; nobody writes to others than their own', async () => {
    await writeTo(s.instructor, [s.trainee.who.id], ' Come on Friday? ');
    const [message] = await noticesRead(s.trainee);
    expect(message).toMatchObject({ words: 'Come on Friday?', from: { name: s.instructor.who.name } });
    await answerTo(s.trainee, message?.id ?? '', 'Yes');
    expect(await noticesRead(s.trainee)).toEqual([]);
    const [answer] = await noticesRead(s.instructor);
    expect(answer).toMatchObject({ words: 'Yes', from: { id: s.trainee.who.id } });
    await expect(answerTo(s.trainee, answer?.id ?? '', 'No')).rejects.toMatchObject({ status: 404 });
    await expect(writeTo(s.trainee, [s.instructor.who.id], 'Hello')).rejects.toMatchObject({ status: 404 });
    await expect(writeTo(as(await person(service, 'instructor')), [s.trainee.who.id], 'Hello')).rejects.toMatchObject({ status: 404 });
    await expect(writeTo(s.lead, ['nobody'], 'Hello')).rejects.toMatchObject({ status: 404 });
    await expect(writeTo(s.instructor, [s.trainee.who.id], '  ')).rejects.toMatchObject({ field: 'words' });
  });
});

describe('everything of one person', () => {
  it('is a zip of JSON and CSV, for them, for those who teach them, and for leads', async () => {
    const { attemptId } = await tried();
    for (const asked of [s.trainee, s.instructor, s.lead]) {
      const { bytes } = await wholePerson(asked, s.trainee.who.id);
      const files = unzipSync(new Uint8Array(await new Response(bytes).arrayBuffer()));
      expect(Object.keys(files)).toEqual(expect.arrayContaining(['read-me.txt', 'person.json', 'attempts.csv', 'steps.csv', `attempts/${attemptId}.json`]));
      const all = JSON.parse(strFromU8(files['person.json'] as Uint8Array));
      expect(all.person).toMatchObject([{ name: s.trainee.who.name }]);
      expect(all.comments).toHaveLength(2);
      const { card, trace } = JSON.parse(strFromU8(files[`attempts/${attemptId}.json`] as Uint8Array));
      expect([card.steps.length, trace.moves.length]).toEqual([1, 1]);
      expect(JSON.stringify(all)).not.toContain('argon2');
    }
    await expect(wholePerson(s.trainee, s.instructor.who.id)).rejects.toMatchObject({ status: 404 });
  });
});

describe('people are imported from a file', () => {
  const file = (text: string) => ({ bytes: new TextEncoder().encode(text), encoding: null });
  const sent = (text: string, leaveOut = false) => ({ ...file(text), name: 'class.csv', leaveOut });
  const counted = async (): Promise<number> => (await roster(s.lead)).length;

  it('as the preview says: new ones with a sign-in name and a first password, those who are here into a group, bad lines left out', async () => {
    const tag = `t${Date.now()}`;
    const text = `name,sign-in,group,role,password\nAda Byron,,${tag} one,,\nAda Byron,,${tag} two,,\nMary Ross,${tag}mary,${tag} one,instructor,of her own\n${s.trainee.who.name},${s.trainee.who.signIn},${tag} one,,\n${s.trainee.who.name},${s.trainee.who.signIn.toUpperCase()}x,,chief,\nSomebody Else,${s.instructor.who.signIn},,,\n=1+1,,,,\n`;
    const before = await counted();
    const plan = await previewPeople(s.lead, file(text));
    expect(plan.lines.map(({ becomes }) => becomes)).toEqual(['new', 'new', 'new', 'joins', 'bad', 'bad', 'bad']);
    expect(plan.newGroups).toEqual([`${tag} one`, `${tag} two`]);
    expect(plan.lines[5]?.words).toContain(`${s.instructor.who.name} signs in as`);
    expect(await counted()).toBe(before);

    await expect(importPeople(s.lead, sent(text))).rejects.toMatchObject({ field: 'leaveOut', message: expect.stringContaining('3 of 7 lines') });
    expect(await counted()).toBe(before);
    const going = importPeople(s.lead, sent(text, true));
    await expect.poll(() => hashingFor(s.lead).of, { interval: 5 }).toBe(3);
    expect(hashingFor(s.instructor)).toEqual({ done: 0, of: 0 });
    const done = await going;
    expect(hashingFor(s.lead)).toEqual({ done: 0, of: 0 });
    expect(done.joined).toBe(1);
    expect(done.people.map(({ signIn: name }) => name)).toEqual([plan.lines[0]?.signIn, plan.lines[1]?.signIn, `${tag}mary`]);
    expect(done.people[2]?.password).toBeNull();
    const { person: mary } = await signIn(service, `${tag}mary`, 'of her own', '10.1.1.3');
    expect(mary.role).toBe('instructor');
    const ada = done.people[0];
    expect((await signIn(service, ada?.signIn ?? '', ada?.password ?? '', '10.1.1.3')).person.name).toBe('Ada Byron');
    expect((await roster(s.lead)).filter(({ groups }) => groups.some(({ name }) => name === `${tag} one`)).map(({ name }) => name)).toEqual([
      'Ada Byron',
      'Mary Ross',
      s.trainee.who.name,
    ]);
    // The same file again would do nothing but what is wrong in it.
    expect((await previewPeople(s.lead, file(text))).lines.map(({ becomes }) => becomes)).toEqual(['bad', 'bad', 'there', 'there', 'bad', 'bad', 'bad']);
    await expect(importPeople(s.lead, sent(text, true))).rejects.toMatchObject({ field: 'file' });
  });

  it('leaves who is here already what they are: an instructor whose role is not written teaches in the group', async () => {
    const tag = `v${Date.now()}`;
    const text = `name,sign-in,group\n${s.instructor.who.name},${s.instructor.who.signIn},${tag}\n${s.trainee.who.name},${s.trainee.who.signIn},${tag}\n`;
    expect((await previewPeople(s.lead, file(text))).lines.map(({ role }) => role)).toEqual(['instructor', 'trainee']);
    await importPeople(s.lead, sent(text));
    const { id } = await service.db('groups').where({ name: tag }).first('id');
    expect(await peopleOfGroup(s.lead, id)).toMatchObject({ instructors: [{ id: s.instructor.who.id }], trainees: [{ id: s.trainee.who.id }] });
    // Made a lead, one teaches where one learned.
    await changeRole(s.lead, s.trainee.who.id, 'lead');
    expect((await peopleOfGroup(s.lead, id)).trainees).toEqual([]);
  });

  it('all of it or nothing, also when somebody is given one of the names meanwhile', async () => {
    const tag = `u${Date.now()}`;
    const text = `name,sign-in,group\nAda Byron,${tag}a,${tag}\nMary Ross,${tag}b,${tag}\n`;
    const both = await Promise.allSettled([importPeople(s.lead, sent(text)), importPeople(s.lead, sent(text))]);
    expect(both.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect(both.flatMap((each) => (each.status === 'rejected' ? [each.reason.code] : []))).toEqual(['changed']);
    expect((await service.db('groups').where({ name: tag })).length).toBe(1);
    expect((await service.db('people').where('sign_in', 'like', `${tag}%`)).length).toBe(2);
  });

  it('is for leads, and says what is too much', async () => {
    await expect(previewPeople(s.instructor, file('name\nAda\n'))).rejects.toMatchObject({ status: 403 });
    const many = `name\n${Array.from({ length: 50_000 }, (_, i) => `Person ${i}`).join('\n')}\n`;
    expect(await previewPeople(s.lead, file(many))).toMatchObject({ lines: [], fault: expect.stringContaining('50,000') });
    await expect(importPeople(s.lead, sent(many, true))).rejects.toMatchObject({ field: 'file', message: expect.stringContaining('50,000') });
  });
});
