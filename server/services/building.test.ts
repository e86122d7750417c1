import type { Exercise } from '@core';
import { describe, expect, it } from 'vitest';
import { findVersion } from '../repositories/exercises';
import { aModel, buoyFile, school, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { copyExercise, draftRead, exercisesRead, makeExercise, publish, saveDraft } from './exercises';
import { changeModel, getModel, importModel, modelsRead, reviseModel } from './models';

const { service, s } = useSchool('all');

const ready = async (change: (draft: Exercise) => Exercise = (d) => d): Promise<string> => {
  const { model } = await aModel(s.instructor);
  const id = await makeExercise(s.instructor, model.id);
  const { draft } = await draftRead(s.instructor, id);
  await saveDraft(s.instructor, id, change(toPublish(draft)));
  return id;
};

describe('models', () => {
  it('are turned into metres that stand on the origin, and summed up', async () => {
    const { model, revision } = await importModel(s.instructor, {
      name: ' Buoy ',
      files: [await buoyFile()],
      placement: { metresPerUnit: 0.5, up: '+z', turns: 1 },
    });
    expect(model.name).toBe('Buoy');
    expect(revision.summary).toMatchObject({ file: 'buoy.glb', warnings: [] });
    expect(revision.summary.size[2]).toBeGreaterThan(1);
    expect(revision.summary.size[2]).toBeLessThan(1.5);
    await expect(getModel(s.instructor, model.id)).resolves.toMatchObject({ revision: { revision: 1 } });
  });

  it('that are broken say why and leave nothing behind', async () => {
    const file = await buoyFile();
    const before = (await modelsRead(s.instructor)).length;
    for (const bytes of [file.bytes.subarray(0, 900), new Uint8Array(), new TextEncoder().encode('{"asset":{"version":"2.0"}}')]) {
      await expect(importModel(s.instructor, { name: 'Broken', files: [{ name: 'broken.glb', bytes }] })).rejects.toMatchObject({
        status: 422,
        field: 'files',
      });
    }
    await expect(importModel(s.instructor, { name: '', files: [file] })).rejects.toMatchObject({ field: 'name' });
    await expect(importModel(s.instructor, { name: 'Tiny', files: [file], placement: { metresPerUnit: 1e-6, up: '+z', turns: 0 } })).rejects.toMatchObject({
      field: 'placement',
    });
    expect((await modelsRead(s.instructor)).length).toBe(before);
    await expect(importModel(s.trainee, { name: 'Mine', files: [file] })).rejects.toMatchObject({ status: 403 });
  });

  it('get a new revision by other axes or another home, and keep the old', async () => {
    const { model, revision } = await aModel(s.instructor);
    await reviseModel(s.instructor, model.id, async () => ({ files: [await buoyFile()], placement: { metresPerUnit: 1, up: '+y', turns: 0 } }));
    await changeModel(s.instructor, model.id, { home: { ...revision.home, distance: 3 } });
    expect((await getModel(s.instructor, model.id)).revision).toMatchObject({ revision: 3, home: { distance: 3 } });
    expect((await getModel(s.instructor, model.id, 1)).revision).toEqual(revision);
  });

  it('are another’s until shared, and then still not to be changed', async () => {
    const other = await school(service);
    const { model } = await aModel(s.instructor);
    await expect(getModel(other.instructor, model.id)).rejects.toMatchObject({ status: 404 });
    await changeModel(s.instructor, model.id, { shared: true });
    await expect(getModel(other.instructor, model.id)).resolves.toBeDefined();
    await expect(changeModel(other.instructor, model.id, { name: 'Stolen' })).rejects.toMatchObject({ status: 403 });
  });
});

describe('exercises', () => {
  it('is published without the steps that are switched off, and they stay in its draft', async () => {
    const id = await ready((draft) => {
      const [step] = draft.steps;
      if (!step) throw new Error('a step');
      // What is switched off may be unfinished.
      return { ...draft, steps: [{ ...step, id: 'off', brief: '', off: true }, step] };
    });
    expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1, unchanged: false });
    expect((await findVersion(service.db, id, 1))?.content.steps).toHaveLength(1);
    const seen = await draftRead(s.instructor, id);
    expect(seen.draft.steps.map((step) => step.off)).toEqual([true, undefined]);
    expect(seen.changedSince).toBe(false);
    expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1, unchanged: true });
    const { revision } = seen;
    await saveDraft(s.instructor, id, { ...seen.draft, steps: seen.draft.steps.map((step) => ({ ...step, brief: '' })) }, { base: revision, window: 'test' });
    // The step that is told of has the number that its author sees.
    await expect(publish(s.instructor, id, [null])).rejects.toMatchObject({ field: 'steps.1.brief', message: expect.stringMatching(/^Step 2: What to do/) });
    await saveDraft(
      s.instructor,
      id,
      { ...seen.draft, steps: seen.draft.steps.map((step) => ({ ...step, off: true as const })) },
      { base: revision + 1, window: 'test' },
    );
    await expect(publish(s.instructor, id, [null])).rejects.toMatchObject({ status: 422, field: 'steps' });
  });

  it('are published as versions that a later change of the draft leaves alone', async () => {
    const id = await ready();
    expect(await publish(s.instructor, id, [null])).toMatchObject({ version: 1 });
    const { draft } = await draftRead(s.instructor, id);
    await saveDraft(s.instructor, id, { ...draft, title: 'Other' });
    expect((await publish(s.instructor, id, [null])).version).toBe(2);
    expect((await findVersion(service.db, id, 1))?.content.title).toBe('Title');
    expect((await findVersion(service.db, id, 2))?.content.title).toBe('Other');
  });

  it.each([
    ['no title', (d: Exercise): Exercise => ({ ...d, title: ' ' }), /title/i],
    ['no brief', (d: Exercise): Exercise => ({ ...d, steps: d.steps.map((x) => ({ ...x, brief: '' })) }), /Step 1: What to do/],
    [
      'an unknown part',
      (d: Exercise): Exercise => ({
        ...d,
        steps: d.steps.map((x) => ({ ...x, goal: { kind: 'frameIt' as const, subject: ['nothing'], margins: { left: 0, right: 0, top: 0, bottom: 0 } } })),
      }),
      /no part "nothing"/,
    ],
    [
      'a cut without the command',
      (d: Exercise): Exercise => ({
        ...d,
        allowed: ['orbit'],
        steps: d.steps.map((x) => ({ ...x, goal: { kind: 'cutToReveal' as const, plane: { normal: [0, 0, 1] as const, offset: 1 }, reveal: [] } })),
      }),
      /Section/,
    ],
  ])('with %s are not published, and it is said what is missing', async (_name, change, words) => {
    const id = await ready(change);
    await expect(publish(s.instructor, id, [null])).rejects.toMatchObject({ status: 422, message: expect.stringMatching(words) });
  });

  it('published by several at the same moment: each version is there once, and who came too late is told', async () => {
    const id = await ready();
    const tries = await Promise.allSettled(Array.from({ length: 6 }, () => publish(s.instructor, id, [null])));
    const made = tries.flatMap((entry) => (entry.status === 'fulfilled' ? [entry.value] : []));
    const refused = tries.flatMap((entry) => (entry.status === 'rejected' ? [entry.reason] : []));
    expect(made.length).toBeGreaterThan(0);
    expect(new Set(made.map(({ version }) => version)).size).toBe(made.length);
    expect((await service.db('exercise_versions').where({ exercise_id: id })).length).toBe(made.length);
    for (const reason of refused) expect(reason).toMatchObject({ status: 409, code: 'changed' });
  });

  it('need to be published before they are assigned', async () => {
    const id = await ready();
    await expect(assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null })).rejects.toMatchObject({ field: 'exerciseId' });
  });

  it('refuse pictures that are none, or too few', async () => {
    const id = await ready();
    await expect(publish(s.instructor, id, [new Uint8Array([1, 2, 3])])).rejects.toMatchObject({ status: 422 });
    await expect(publish(s.instructor, id, [])).rejects.toMatchObject({ status: 422 });
  });

  it('of others are not seen; a copy is one’s own', async () => {
    const other = await school(service);
    const id = await ready();
    await expect(draftRead(other.instructor, id)).rejects.toMatchObject({ status: 404 });
    expect((await exercisesRead(other.instructor)).map((e) => e.id)).not.toContain(id);
    const copy = await copyExercise(s.instructor, id);
    expect((await draftRead(s.instructor, copy)).draft.title).toBe('Title (copy)');
  });
});

it('publishing says that the model has a newer revision, once it has', async () => {
  const id = await ready();
  expect((await publish(s.instructor, id, [null])).warnings.map(({ field }) => field)).not.toContain('model');
  const { draft } = await draftRead(s.instructor, id);
  await changeModel(s.instructor, draft.model.id, { home: { ...draft.start.view, distance: 3 } });
  await saveDraft(s.instructor, id, { ...draft, title: 'Once more' });
  const { warnings } = await publish(s.instructor, id, [null]);
  expect(warnings).toContainEqual({ message: expect.stringContaining('there is revision 2'), field: 'model' });
});
