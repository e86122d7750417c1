import { type Exercise, startsOf } from '@core';
import { expect, it } from 'vitest';
import { addMember } from '../repositories/people';
import { aModel, handInFor, person, school, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, takeBack } from './assigning';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { groupValues } from './groupValues';

const { service, s } = useSchool('all');

async function assigned(change: (draft: Exercise) => Exercise = (d) => d): Promise<{ id: string; draft: Exercise }> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  const draft = change(toPublish((await draftRead(s.instructor, id)).draft));
  await saveDraft(s.instructor, id, draft);
  await publish(s.instructor, id, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  return { id, draft };
}

it('what a group came to: each member’s first and best value, of attempts that count at the newest version', async () => {
  const { id, draft } = await assigned();
  const second = await person(service, 'trainee');
  await addMember(service.db, s.group.id, second.id, 'trainee');
  const other = { ...s.trainee, who: second };
  // The target is half a turn away: what is turned is that much nearer.
  for (const [who, angle] of [
    [s.trainee, 0.3],
    [s.trainee, 0.9],
    [s.trainee, 0.5],
    [other, 0.2],
  ] as const)
    await handInFor(who, id, angle);
  const [step] = await groupValues(s.instructor, id, s.group.id);
  const direction = step?.values.find(({ criterion }) => criterion === 'direction');
  expect(step?.step).toBe(draft.steps[0]?.id);
  expect(direction?.bests).toHaveLength(2);
  const [one = 0, two = 0] = direction?.firsts ?? [];
  const [best = 0, only = 0] = direction?.bests ?? [];
  expect(best).toBeLessThan(one);
  expect(only).toBe(two);
  expect(one).toBeLessThan(two);

  // Not of others' groups, nor to those who do not teach.
  const elsewhere = await school(service);
  await expect(groupValues(elsewhere.instructor, id, s.group.id)).rejects.toMatchObject({ status: 404 });
  await expect(groupValues(s.instructor, id, elsewhere.group.id)).rejects.toMatchObject({ status: 404 });
  await expect(groupValues(s.trainee, id, s.group.id)).rejects.toMatchObject({ status: 404 });

  // A step that asks something else by now tells nothing.
  const { draft: kept } = await draftRead(s.instructor, id);
  await saveDraft(s.instructor, id, {
    ...kept,
    steps: kept.steps.map((each) => ({ ...each, goal: { kind: 'frameIt', subject: [], margins: { left: 0.1, right: 0.1, top: 0.1, bottom: 0.1 } } })),
  });
  expect(await groupValues(s.instructor, id, s.group.id)).toEqual([]);
  await saveDraft(s.instructor, id, kept);
  await takeBack(s.instructor, s.group.id, id, { attempts: 'doNotCount', why: '' });
  expect((await groupValues(s.instructor, id, s.group.id))[0]?.values).toEqual([]);
});

it('nothing is told of what was never published', async () => {
  const { model } = await aModel(s.instructor);
  expect(await groupValues(s.instructor, await makeExercise(s.instructor, model.id), s.group.id)).toEqual([]);
});

it('an attempt begins where its seed has it: another of the starts is refused', async () => {
  const { id, draft } = await assigned((made) => ({
    ...made,
    variants: {
      kind: 'starts',
      starts: [1.2, 1.4, 1.6, 1.8, 2].map((far) => ({ ...made.start, view: { ...made.start.view, distance: made.start.view.distance * far } })),
    },
  }));
  await handInFor(s.trainee, id);
  // Of six starts at most one is an attempt's own.
  const tries = await Promise.allSettled(startsOf(draft).map((start) => handInFor(s.trainee, id, 0.3, { start })));
  expect(tries.filter(({ status }) => status === 'rejected').length).toBeGreaterThan(2);
  for (const made of tries) if (made.status === 'rejected') expect(made.reason).toMatchObject({ code: 'refused-start' });
});
