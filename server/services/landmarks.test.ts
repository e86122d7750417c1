import type { Landmark } from '@core';
import { beforeAll, describe, expect, it } from 'vitest';
import { aModel, buoyFile, school } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { landmarkRemoved, landmarksRead, markLandmark, putLandmarkBack, removeLandmark, renameLandmark } from './landmarks';
import { changeModel, getModel, reviseModel } from './models';

const { service, s } = useSchool('all');
let modelId: string;
beforeAll(async () => {
  modelId = (await aModel(s.instructor)).model.id;
});

const lamp: Landmark = { name: 'Lamp', kind: 'face', part: 'buoy/lantern/lens', point: [0, -0.2, 3], normal: [0, -1, 0] };
const names = async (revision?: number) => (await landmarksRead(s.instructor, modelId, revision)).map((mark) => mark.name);

describe('landmarks', () => {
  it('come back as they were marked', async () => {
    const { id } = await markLandmark(s.instructor, modelId, { ...lamp, name: ' Lamp ' });
    expect(await landmarksRead(s.instructor, modelId)).toEqual([{ ...lamp, id }]);
    await renameLandmark(s.instructor, id, 'The lamp');
    expect(await names()).toEqual(['The lamp']);
    await removeLandmark(s.instructor, id);
    expect(await names()).toEqual([]);
    await expect(removeLandmark(s.instructor, id)).rejects.toMatchObject({ status: 404 });
  });

  it('come back where they were after they were removed, unless their name is taken by then; for good they go after a week', async () => {
    const { id } = await markLandmark(s.instructor, modelId, lamp);
    const { id: bell } = await markLandmark(s.instructor, modelId, { ...lamp, name: 'Bell' });
    const after = (seconds: number) => ({ ...s.instructor, now: () => new Date(s.instructor.now().getTime() + seconds * 1000) });
    await removeLandmark(after(1), id);
    expect(await landmarkRemoved(after(1), modelId)).toMatchObject({ id, name: 'Lamp' });
    await putLandmarkBack(s.instructor, id);
    expect((await names()).sort()).toEqual(['Bell', 'Lamp']);
    await expect(putLandmarkBack(s.instructor, id)).rejects.toMatchObject({ status: 404 });
    await removeLandmark(s.instructor, id);
    const { id: other } = await markLandmark(s.instructor, modelId, lamp);
    await expect(putLandmarkBack(s.instructor, id)).rejects.toMatchObject({ status: 422, field: 'name' });
    const later = after(8 * 24 * 3600);
    expect(await landmarkRemoved(later, modelId)).toBeNull();
    for (const each of [other, bell]) await removeLandmark(later, each);
    expect(await service.db('landmarks').where({ model_id: modelId, id })).toHaveLength(0);
  });

  it('need a name of their own and a part that is there', async () => {
    const { id } = await markLandmark(s.instructor, modelId, lamp);
    const other = await markLandmark(s.instructor, modelId, { ...lamp, name: 'Bell' });
    await expect(markLandmark(s.instructor, modelId, { ...lamp, name: 'LAMP' })).rejects.toMatchObject({ status: 422, field: 'name' });
    await expect(renameLandmark(s.instructor, other.id, 'lamp')).rejects.toMatchObject({ field: 'name' });
    await expect(renameLandmark(s.instructor, other.id, '   ')).rejects.toMatchObject({ field: 'name' });
    await renameLandmark(s.instructor, other.id, 'bell');
    await expect(markLandmark(s.instructor, modelId, { ...lamp, name: 'Nowhere', part: 'buoy/cellar' })).rejects.toMatchObject({ field: 'part' });
    for (const each of [id, other.id]) await removeLandmark(s.instructor, each);
  });

  it('marked with one name at the same moment: one is there, the others are told', async () => {
    const tries = await Promise.allSettled(['Twin', 'twin', 'TWIN', 'Twin'].map((name) => markLandmark(s.instructor, modelId, { ...lamp, name })));
    expect(tries.filter((entry) => entry.status === 'fulfilled')).toHaveLength(1);
    for (const entry of tries) if (entry.status === 'rejected') expect(entry.reason).toMatchObject({ status: 422, field: 'name' });
    for (const mark of await landmarksRead(s.instructor, modelId)) await removeLandmark(s.instructor, mark.id);
  });

  it('are set by the one whose model it is, and by nobody else', async () => {
    const { id } = await markLandmark(s.instructor, modelId, lamp);
    const elsewhere = await school(service);
    await expect(landmarksRead(elsewhere.instructor, modelId)).rejects.toMatchObject({ status: 404 });
    await changeModel(s.instructor, modelId, { shared: true });
    expect(await landmarksRead(elsewhere.instructor, modelId)).toHaveLength(1);
    await expect(markLandmark(elsewhere.instructor, modelId, { ...lamp, name: 'x' })).rejects.toMatchObject({ status: 403 });
    await expect(renameLandmark(elsewhere.instructor, id, 'x')).rejects.toMatchObject({ status: 403 });
    await expect(removeLandmark(s.trainee, id)).rejects.toMatchObject({ status: 404 });
    await removeLandmark(s.lead, id);
    await changeModel(s.instructor, modelId, { shared: false });
  });

  it('stay with another home view; other geometry takes over those that name a part, and says which to mark again', async () => {
    await markLandmark(s.instructor, modelId, lamp);
    await markLandmark(s.instructor, modelId, { ...lamp, name: 'Bell', kind: 'part', part: 'buoy/tower/bell' });
    const { revision } = await getModel(s.instructor, modelId);
    await changeModel(s.instructor, modelId, { home: { ...revision.home, distance: 9 } });
    expect((await names()).sort()).toEqual(['Bell', 'Lamp']);
    const revised = await reviseModel(s.instructor, modelId, async () => ({ files: [await buoyFile()], placement: { metresPerUnit: 2, up: '+z', turns: 0 } }));
    expect(revised.revision.meshHash).not.toBe(revision.meshHash);
    expect(await names()).toEqual(['Bell']);
    expect(revised.revision.summary.warnings.at(-1)).toContain('Lamp');
    expect((await names(revision.revision)).sort()).toEqual(['Bell', 'Lamp']);
  });
});
