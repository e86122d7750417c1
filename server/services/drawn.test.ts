import { PNG } from 'pngjs';
import { expect, it } from 'vitest';
import { aModel, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { exercisePicture, modelPicture } from './drawn';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';

const { s } = useSchool('all');

/** Share of the pixels that show something. */
const filled = (bytes: Uint8Array): number => {
  const { data, width, height } = PNG.sync.read(Buffer.from(bytes));
  expect([width, height]).toEqual([320, 200]);
  let count = 0;
  for (let at = 3; at < data.length; at += 4) if ((data[at] as number) > 0) count++;
  return count / (width * height);
};

it('a model is pictured from home, and an exercise by what it asks for; forty asked for at once are all drawn', async () => {
  const { model } = await aModel(s.instructor);
  const home = await modelPicture(s.instructor, model.id, 1);
  expect(filled(home)).toBeGreaterThan(0.03);
  const id = await makeExercise(s.instructor, model.id);
  await expect(exercisePicture(s.instructor, id, 1)).rejects.toMatchObject({ status: 404 });
  await saveDraft(s.instructor, id, toPublish((await draftRead(s.instructor, id)).draft));
  await publish(s.instructor, id, [null]);
  const target = await exercisePicture(s.instructor, id, 1);
  expect(filled(target)).toBeGreaterThan(0.03);
  // It is asked for from the other side.
  expect(Buffer.from(target).equals(Buffer.from(home))).toBe(false);
  const all = await Promise.all(Array.from({ length: 40 }, (_, i) => (i % 2 ? modelPicture(s.lead, model.id, 1) : exercisePicture(s.lead, id, 1))));
  expect(all.every((bytes) => bytes.length > 0)).toBe(true);

  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  // A trainee may see the model of what they were given, and not what is asked.
  expect(filled(await modelPicture(s.trainee, model.id, 1))).toBeGreaterThan(0.03);
  await expect(exercisePicture(s.trainee, id, 1)).rejects.toMatchObject({ status: 404 });
  for (const number of [0, 1.5, Number.NaN, 99]) await expect(modelPicture(s.instructor, model.id, number)).rejects.toMatchObject({ status: 404 });
});
