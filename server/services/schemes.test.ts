import { BUILT_IN_SCHEMES, type Scheme, TWO_BUTTON_MOUSE } from '@core';
import { writeSchemeFile } from '@formats';
import { beforeAll, describe, expect, it } from 'vitest';
import { addMember } from '../repositories/people';
import { findScheme } from '../repositories/schemes';
import { aModel, person, type School, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { openAttempt } from './attempts';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { duplicateScheme, importScheme, removeScheme, saveScheme, schemesSeen, schemesToPractise, shareScheme } from './schemes';

const { service, s } = useSchool('all');
let exerciseId: string;
beforeAll(async () => {
  const { model } = await aModel(s.instructor);
  exerciseId = await makeExercise(s.instructor, model.id);
  const { draft } = await draftRead(s.instructor, exerciseId);
  await saveDraft(s.instructor, exerciseId, toPublish(draft));
  await publish(s.instructor, exerciseId, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId, dueOn: null });
});

const own = async (asked = s.trainee): Promise<Scheme> => duplicateScheme(asked, TWO_BUTTON_MOUSE.id);
const idsOf = async (asked: School['trainee']): Promise<string[]> => (await schemesSeen(asked)).map((seen) => seen.scheme.id);

describe('schemes of one’s own', () => {
  it('are made from any other, changed by revisions, and practised with', async () => {
    const made = await own();
    expect(made).toMatchObject({ revision: 1, name: 'Two-button mouse, my own', bindings: TWO_BUTTON_MOUSE.bindings });
    const next = await saveScheme(s.trainee, made.id, 1, { ...made, name: 'Left hand', options: { ...made.options, notch: 1.3 } });
    expect(next).toMatchObject({ revision: 2, name: 'Left hand' });
    expect((await findScheme(service.db, made.id, 1))?.name).toBe('Two-button mouse, my own');
    expect((await findScheme(service.db, made.id))?.options.notch).toBe(1.3);
    await expect(openAttempt(s.trainee, { exerciseId, version: 1, schemeId: made.id })).resolves.toMatchObject({ id: expect.any(String) });
    await removeScheme(s.trainee, made.id);
    expect(await idsOf(s.trainee)).not.toContain(made.id);
    // Attempts made with it keep their revision.
    expect(await findScheme(service.db, made.id, 2)).not.toBeNull();
  });

  it('two people’s changes, or two windows’, never overwrite each other silently', async () => {
    const made = await own();
    const [a, b] = await Promise.allSettled([
      saveScheme(s.trainee, made.id, 1, { ...made, name: 'one' }),
      saveScheme(s.trainee, made.id, 1, { ...made, name: 'two' }),
    ]);
    expect([a.status, b.status].sort()).toEqual(['fulfilled', 'rejected']);
    await expect(saveScheme(s.trainee, made.id, 1, { ...made, name: 'three' })).rejects.toMatchObject({
      status: 409,
      message: expect.stringContaining('still here'),
    });
    expect((await findScheme(service.db, made.id))?.revision).toBe(2);
  });

  it('are nobody else’s to see or change, unless they are shared, and even then to change', async () => {
    const made = await own(s.instructor);
    expect(await idsOf(s.trainee)).not.toContain(made.id);
    await expect(duplicateScheme(s.trainee, made.id)).rejects.toMatchObject({ status: 404 });
    await expect(openAttempt(s.trainee, { exerciseId, version: 1, schemeId: made.id })).rejects.toMatchObject({ field: 'schemeId' });
    await shareScheme(s.instructor, made.id, s.group.id, 'shared');
    expect(await idsOf(s.trainee)).toContain(made.id);
    await expect(saveScheme(s.trainee, made.id, 1, made)).rejects.toMatchObject({ status: 403, message: expect.stringContaining('duplicate it') });
    await expect(removeScheme(s.trainee, made.id)).rejects.toMatchObject({ status: 403 });
    await expect(duplicateScheme(s.trainee, made.id)).resolves.toMatchObject({ revision: 1 });
    await expect(saveScheme(s.trainee, TWO_BUTTON_MOUSE.id, 1, TWO_BUTTON_MOUSE)).rejects.toMatchObject({ status: 404 });
    await expect(shareScheme(s.trainee, made.id, s.group.id, 'shared')).rejects.toMatchObject({ status: 404 });
    await shareScheme(s.instructor, made.id, s.group.id, 'none');
    expect(await idsOf(s.trainee)).not.toContain(made.id);
  });

  it('that are locked for a group are all that its trainees practise with, and say who locked them', async () => {
    const made = await own(s.instructor);
    const other = { ...service, who: await person(service, 'trainee') };
    // What an instructor locked, a lead may unlock.
    await shareScheme(s.instructor, made.id, s.group.id, 'locked');
    await shareScheme(s.lead, made.id, s.group.id, 'shared');
    expect((await schemesSeen(s.trainee)).find((x) => x.scheme.id === made.id)?.lockedBy).toBeNull();
    await shareScheme(s.instructor, made.id, s.group.id, 'locked');
    expect((await schemesToPractise(s.trainee, [])).map((scheme) => scheme.id)).toEqual([made.id]);
    expect((await schemesSeen(s.trainee)).find((seen) => seen.scheme.id === made.id)?.lockedBy).toBe(s.instructor.who.name);
    await expect(openAttempt(s.trainee, { exerciseId, version: 1, schemeId: TWO_BUTTON_MOUSE.id })).rejects.toMatchObject({
      message: expect.stringContaining('locked'),
    });
    expect((await schemesToPractise(other, [])).length).toBeGreaterThanOrEqual(BUILT_IN_SCHEMES.length);
    await addMember(service.db, s.group.id, other.who.id, 'trainee');
    expect(await schemesToPractise(other, [])).toHaveLength(1);
    await shareScheme(s.instructor, made.id, s.group.id, 'none');
    expect((await schemesToPractise(other, [])).length).toBeGreaterThanOrEqual(BUILT_IN_SCHEMES.length);
  });

  it('come from a file, or say what is wrong with it and keep nothing', async () => {
    const before = (await schemesSeen(s.trainee)).length;
    const made = await importScheme(s.trainee, writeSchemeFile({ ...TWO_BUTTON_MOUSE, name: 'From home' }));
    expect(made).toMatchObject({ name: 'From home', revision: 1 });
    await expect(importScheme(s.trainee, '{"format":')).rejects.toMatchObject({ status: 422, field: 'file', message: expect.stringMatching(/^Line 1/) });
    expect((await schemesSeen(s.trainee)).length).toBe(before + 1);
  });
});
