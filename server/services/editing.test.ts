import { expect, it } from 'vitest';
import { aModel, person } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { editing } from './editing';
import { makeExercise } from './exercises';

const { service, s } = useSchool();
const ofInstructor = async (): Promise<string> => makeExercise(s.instructor, (await aModel(s.instructor)).model.id);

it('who edits one exercise in two pages, or beside another, is told', async () => {
  const id = await ofInstructor();
  expect(await editing(s.instructor, id, 'first', false)).toEqual([]);
  expect(await editing(s.lead, id, 'office', false)).toEqual([{ name: s.instructor.who.name, you: false }]);
  const others = await editing(s.instructor, id, 'second', false);
  expect(new Set(others.map(({ name, you }) => `${name} ${you}`))).toEqual(new Set([`${s.lead.who.name} false`, `${s.instructor.who.name} true`]));
  // Another exercise is another matter.
  expect(await editing(s.lead, await ofInstructor(), 'office', false)).toEqual([]);
});

it('a page that is closed, or not heard of for a while, is told no more', async () => {
  const id = await ofInstructor();
  await editing(s.instructor, id, 'first', false);
  await editing(s.instructor, id, 'first', true);
  expect(await editing(s.lead, id, 'office', false)).toEqual([]);
  await editing(s.instructor, id, 'first', false);
  service.pass(30);
  expect(await editing(s.lead, id, 'office', false)).toHaveLength(1);
  service.pass(30);
  expect(await editing(s.lead, id, 'office', false)).toEqual([]);
  expect(await service.db('editing').where({ exercise_id: id }).select('page')).toEqual([{ page: 'office' }]);
});

it('nobody closes another’s page, and who may not change an exercise does not edit it', async () => {
  const id = await ofInstructor();
  await editing(s.instructor, id, 'first', false);
  await editing(s.lead, id, 'first', true);
  expect(await editing(s.lead, id, 'office', false)).toHaveLength(1);
  const colleague = { ...service, who: await person(service, 'instructor') };
  await expect(editing(colleague, id, 'theirs', false)).rejects.toMatchObject({ status: 404 });
  await expect(editing(s.trainee, id, 'theirs', false)).rejects.toMatchObject({ status: 404 });
});
