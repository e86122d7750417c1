import { expect, it } from 'vitest';
import { aModel, person, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { giveToPeople } from './assigning';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { findable } from './finding';

const { service, s } = useSchool();

it('finds what the one who looks may go to, and the gestures of a scheme', async () => {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  await saveDraft(s.instructor, id, toPublish((await draftRead(s.instructor, id)).draft));
  await publish(s.instructor, id, [null]);
  const found = async (asked: Parameters<typeof findable>[0]): Promise<string[]> =>
    (await findable(asked, 'keyboard-alone')).places.map(({ kind, name, href }) => `${kind} ${name} ${href}`).sort();
  expect(await found(s.instructor)).toEqual([
    `exercise Title /build/${id}`,
    `group ${s.group.name} /groups/${s.group.id}`,
    `model Buoy /library/${model.id}`,
    `person ${s.trainee.who.name} /learners/${s.trainee.who.id}`,
  ]);
  expect(await found(s.trainee)).toEqual([]);
  await giveToPeople(s.instructor, { personIds: [s.trainee.who.id], exerciseId: id, dueOn: null });
  expect(await found(s.trainee)).toEqual([`exercise Title /practise/${id}`]);
  expect(await found({ ...service, who: await person(service, 'instructor') })).toEqual([]);
  const { gestures } = await findable(s.trainee, 'keyboard-alone');
  expect(gestures.find(({ does }) => does === 'Fit all')).toEqual({ does: 'Fit all', gesture: 'E' });
  expect((await findable(s.trainee, 'nothing')).gestures).toEqual([]);
});
