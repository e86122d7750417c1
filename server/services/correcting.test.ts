import type { Exercise } from '@core';
import { describe, expect, it } from 'vitest';
import { addMember } from '../repositories/people';
import { aModel, handInFor, school, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise, assignmentsOfGroup, moveToNewest, takeBack } from './assigning';
import { attemptSeen } from './attempts';
import { archiveExercise, draftRead, exercisesRead, makeExercise, publish, saveDraft } from './exercises';
import { noticeRead, noticesRead } from './messages';
import { changeModel, modelsRead } from './models';
import { progressOf } from './progress';

const { service, s } = useSchool('all');

async function ready(): Promise<{ id: string; draft: Exercise; revision: number }> {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  const made = toPublish((await draftRead(s.instructor, id)).draft);
  await saveDraft(s.instructor, id, made);
  const { draft, revision } = await draftRead(s.instructor, id);
  return { id, draft, revision };
}

describe('two windows on one draft', () => {
  it('keep what each changed, and tell what both did', async () => {
    const { id, draft, revision } = await ready();
    const one = await saveDraft(s.instructor, id, { ...draft, title: 'One' }, { base: revision, window: 'a' });
    expect(one).toEqual({ revision: revision + 1, draft: null, conflicts: [] });
    const two = await saveDraft(s.instructor, id, { ...draft, brief: 'Two' }, { base: revision, window: 'b' });
    expect(two).toMatchObject({ revision: revision + 2, draft: { title: 'One', brief: 'Two' }, conflicts: [] });
    const three = await saveDraft(s.instructor, id, { ...draft, title: 'Three' }, { base: revision, window: 'c' });
    expect(three.conflicts).toMatchObject([{ field: 'title', mine: 'Three', theirs: 'One' }]);
    expect((await draftRead(s.instructor, id)).draft).toMatchObject({ title: 'One', brief: 'Two' });
  });

  it('that save at the same moment lose nothing of eight', async () => {
    const { id, draft, revision } = await ready();
    const hints = (n: number): Exercise => ({
      ...draft,
      allowed: draft.allowed,
      steps: [...draft.steps, { ...(draft.steps[0] as Exercise['steps'][number]), id: `from-${n}` }],
    });
    await Promise.all(Array.from({ length: 8 }, (_, n) => saveDraft(s.instructor, id, hints(n), { base: revision, window: `w${n}` })));
    const end = await draftRead(s.instructor, id);
    expect(end.revision).toBe(revision + 8);
    expect(end.draft.steps.map((step) => step.id).sort()).toEqual([draft.steps[0]?.id ?? '', ...Array.from({ length: 8 }, (_, n) => `from-${n}`)].sort());
  });

  it('do not take a save whose answer was lost for somebody else’s', async () => {
    const { id, draft, revision } = await ready();
    await saveDraft(s.instructor, id, { ...draft, title: 'Sent' }, { base: revision, window: 'a' });
    const again = await saveDraft(s.instructor, id, { ...draft, title: 'Sent again' }, { base: revision, window: 'a' });
    expect(again.conflicts).toEqual([]);
    expect((await draftRead(s.instructor, id)).draft.title).toBe('Sent again');
  });

  it('tell every difference when the draft they began with is not kept any more', async () => {
    const { id, draft, revision } = await ready();
    for (let n = 0; n < 45; n++) await saveDraft(s.instructor, id, { ...draft, brief: `Brief ${n}` }, { base: revision + n, window: 'a' });
    const late = await saveDraft(s.instructor, id, { ...draft, title: 'Late' }, { base: revision, window: 'b' });
    expect(late.conflicts.map((c) => c.field)).toEqual(['title', 'brief']);
    expect(await service.db('exercise_drafts').where({ exercise_id: id }).count({ n: '*' }).first()).toMatchObject({ n: 40 });
  });
});

it('publishing without a change makes no version', async () => {
  const { id, draft } = await ready();
  expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1, unchanged: false });
  expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1, unchanged: true });
  await saveDraft(s.instructor, id, { ...draft, title: 'Changed' });
  expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 2, unchanged: false });
});

describe('what was given to a group', () => {
  it('can be taken back: those who had it are told, once each, and what they did there need not count', async () => {
    const { id, draft } = await ready();
    await publish(s.instructor, id, [null]);
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
    const attempt = await handInFor(s.trainee, id);
    await takeBack(s.instructor, s.group.id, id, { attempts: 'doNotCount', why: 'The target was wrong' });
    const [notice] = await noticesRead(s.trainee);
    expect(notice?.words).toBe(
      `${s.instructor.who.name} took back “${draft.title}”. The target was wrong. What you did there does not count; your cards stay.`,
    );
    expect((await attemptSeen(s.trainee, attempt)).card.score).toBeGreaterThanOrEqual(0);
    expect((await progressOf(s.trainee, s.trainee.who.id)).attempts.find((line) => line.id === attempt)?.counts).toBe(false);
    const other = await school(service);
    await expect(noticeRead(other.trainee, notice?.id ?? '')).rejects.toMatchObject({ status: 404 });
    await noticeRead(s.trainee, notice?.id ?? '');
    expect((await noticesRead(s.trainee)).map((each) => each.id)).not.toContain(notice?.id);
    await expect(takeBack(s.instructor, s.group.id, id, { attempts: 'count', why: '' })).rejects.toMatchObject({ status: 404 });
    await expect(takeBack(other.instructor, s.group.id, id, { attempts: 'count', why: '' })).rejects.toMatchObject({ status: 404 });
  });

  it('can be moved to the newest version; only attempts at that one are compared', async () => {
    const { id, draft } = await ready();
    await publish(s.instructor, id, [null]);
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
    await expect(moveToNewest(s.instructor, s.group.id, id, { attempts: 'count', why: '' })).rejects.toMatchObject({ field: 'exerciseId' });
    await handInFor(s.trainee, id);
    await saveDraft(s.instructor, id, { ...draft, title: 'Corrected' });
    await publish(s.instructor, id, [null]);
    expect((await assignmentsOfGroup(s.instructor, s.group.id)).find((a) => a.exerciseId === id)).toMatchObject({ version: 1, newest: 2 });
    expect(await moveToNewest(s.instructor, s.group.id, id, { attempts: 'count', why: '' })).toEqual({ version: 2 });
    const first = await handInFor(s.trainee, id);
    expect((await attemptSeen(s.trainee, first)).before).toBeNull();
    const second = await handInFor(s.trainee, id);
    expect((await attemptSeen(s.trainee, second)).before?.id).toBe(first);
    const late = await school(service);
    await addMember(service.db, s.group.id, late.trainee.who.id, 'trainee');
    expect(await noticesRead(late.trainee)).toEqual([]);
  });
});

describe('put away', () => {
  it('an exercise is not given to anybody any more, and comes back', async () => {
    const { id } = await ready();
    await publish(s.instructor, id, [null]);
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
    await expect(archiveExercise(s.instructor, id, true)).rejects.toMatchObject({ field: 'archived', message: expect.stringContaining(s.group.name) });
    await takeBack(s.instructor, s.group.id, id, { attempts: 'count', why: '' });
    await archiveExercise(s.instructor, id, true);
    expect((await exercisesRead(s.instructor)).find((line) => line.id === id)?.archived).toBe(true);
    await expect(assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null })).rejects.toMatchObject({ field: 'exerciseId' });
    const other = await school(service);
    await expect(archiveExercise(other.instructor, id, false)).rejects.toMatchObject({ status: 404 });
    await archiveExercise(s.instructor, id, false);
    await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  });

  it('a model is not built on any more; what was made on it stays', async () => {
    const { id, draft } = await ready();
    await changeModel(s.instructor, draft.model.id, { archived: true });
    expect((await modelsRead(s.instructor)).find(({ model }) => model.id === draft.model.id)?.model.archivedAt).not.toBeNull();
    await expect(makeExercise(s.instructor, draft.model.id)).rejects.toMatchObject({ field: 'modelId' });
    expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1 });
    await changeModel(s.instructor, draft.model.id, { archived: false });
    await makeExercise(s.instructor, draft.model.id);
  });
});
