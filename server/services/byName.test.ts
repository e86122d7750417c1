import { expect, it } from 'vitest';
import { revisionsFor } from '../repositories/models';
import { addMember } from '../repositories/people';
import type { RequestContext } from '../service';
import { aModel, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, givenByName, giveToPeople, takeFromPerson } from './assigning';
import { auditRead } from './audit';
import { archiveExercise, draftRead, exercisesToGive, makeExercise, publish, saveDraft, versionToPractise } from './exercises';
import { givenTo } from './given';
import { noticesRead } from './messages';

const { service, s } = useSchool();

async function anExercise(title: string): Promise<{ id: string; modelId: string }> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  await saveDraft(s.instructor, id, { ...toPublish((await draftRead(s.instructor, id)).draft), title });
  await publish(s.instructor, id, [null]);
  return { id, modelId: model.id };
}

async function another(): Promise<RequestContext> {
  const who = await person(service, 'trainee');
  await addMember(service.db, s.group.id, who.id, 'trainee');
  return { ...service, who };
}

const has = async (asked: RequestContext): Promise<string[]> =>
  (await givenTo(asked, asked.who.id)).assigned.map(({ title, version, dueOn }) => `${title} ${version} ${dueOn ?? '-'}`);

it('an exercise given by name is that trainee’s alone, who is told; taken back it is gone', async () => {
  const [other, { id, modelId }] = [await another(), await anExercise('Once round')];
  await giveToPeople(s.instructor, { personIds: [s.trainee.who.id], exerciseId: id, dueOn: '2031-05-20' });
  expect(await has(s.trainee)).toEqual(['Once round 1 2031-05-20']);
  expect(await has(other)).toEqual([]);
  expect((await versionToPractise(s.trainee, id)).version).toBe(1);
  await expect(versionToPractise(other, id)).rejects.toMatchObject({ status: 404 });
  expect(await revisionsFor(service.db, s.trainee.who.id, modelId)).toEqual([1]);
  expect((await noticesRead(s.trainee)).map(({ words }) => words)).toEqual([`${s.instructor.who.name} gave you “Once round”, due on 20 May.`]);
  expect((await givenByName(s.instructor, s.trainee.who.id)).map(({ title }) => title)).toEqual(['Once round']);
  await takeFromPerson(s.instructor, s.trainee.who.id, id);
  expect(await has(s.trainee)).toEqual([]);
  await expect(takeFromPerson(s.instructor, s.trainee.who.id, id)).rejects.toMatchObject({ status: 404 });
  expect((await auditRead(s.lead)).map(({ words }) => words)).toContain(`${s.instructor.who.name} took “Once round” back from ${s.trainee.who.name}.`);
});

it('what the group has too stays when it is taken back; the day of the person and the newer version go first', async () => {
  const { id } = await anExercise('Once round');
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: '2031-05-10' });
  await saveDraft(s.instructor, id, { ...(await draftRead(s.instructor, id)).draft, title: 'Twice round' });
  await publish(s.instructor, id, [null]);
  const give = (dueOn: string | null): Promise<void> => giveToPeople(s.instructor, { personIds: [s.trainee.who.id], exerciseId: id, dueOn });
  await give(null);
  expect(await has(s.trainee)).toEqual(['Twice round 2 2031-05-10']);
  await give('2031-05-30');
  expect(await has(s.trainee)).toEqual(['Twice round 2 2031-05-30']);
  await takeFromPerson(s.instructor, s.trainee.who.id, id);
  expect(await has(s.trainee)).toEqual(['Once round 1 2031-05-10']);
});

it('is refused for one of several, for what is not published, and for who does not teach them: then nobody gets it', async () => {
  const { id } = await anExercise('Once round');
  const refused = async (asked: RequestContext, personIds: readonly string[], exerciseId: string, why: object): Promise<void> => {
    await expect(giveToPeople(asked, { personIds, exerciseId, dueOn: null })).rejects.toMatchObject(why);
    expect(await has(s.trainee)).toEqual([]);
  };
  const me = s.trainee.who.id;
  await refused(s.lead, [me, s.instructor.who.id], id, { field: 'personIds' });
  await refused(s.instructor, [me, 'nobody'], id, { status: 404 });
  await refused(s.trainee, [me], id, { field: 'personIds' });
  await refused({ ...service, who: await person(service, 'instructor') }, [me], id, { status: 404 });
  const draft = await makeExercise(s.instructor, (await aModel(s.instructor)).model.id);
  await refused(s.instructor, [me], draft, { field: 'exerciseId' });
  expect(await exercisesToGive(s.instructor)).toEqual([{ id, title: 'Once round' }]);
  await archiveExercise(s.instructor, id, true);
  await refused(s.instructor, [me], id, { field: 'exerciseId' });
  expect(await exercisesToGive(s.instructor)).toEqual([]);
  await expect(exercisesToGive(s.trainee)).rejects.toMatchObject({ status: 403 });
});
