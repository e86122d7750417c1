import { decodeMesh } from '@formats';
import { expect, it } from 'vitest';
import { aModel, buoyFile, school } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { landmarksRead, markLandmark } from './landmarks';
import { getModel, nameParts, reviseModel } from './models';

const { service, s } = useSchool('all');

const partsNow = async (id: string) => decodeMesh(await service.files.read((await getModel(s.instructor, id)).revision.meshHash)).parts;

it('parts are called and merged as people want them, in a revision that keeps its landmarks; new geometry keeps the names', async () => {
  const { model } = await aModel(s.instructor);
  const before = await partsNow(model.id);
  const [one, other] = before.filter((part) => part.count > 0 && before.filter((p) => p.parent === part.parent && p.count > 0).length > 1) as [
    (typeof before)[number],
    (typeof before)[number],
  ];
  const pair = before.filter((part) => part.parent === one.parent && part.count > 0).slice(0, 2) as [typeof one, typeof other];
  await markLandmark(s.instructor, model.id, { name: 'Mark', kind: 'point', part: pair[1].id, point: [0, 0, 1], normal: [0, 0, 1] });
  await nameParts(s.instructor, model.id, { names: { [pair[0].id]: 'Our own name' }, merges: [{ into: pair[0].id, from: [pair[1].id] }] });
  const after = await partsNow(model.id);
  expect(after.find((part) => part.id === pair[0].id)).toMatchObject({ name: 'Our own name', count: pair[0].count + pair[1].count });
  expect(after).toHaveLength(before.length - 1);
  expect((await landmarksRead(s.instructor, model.id)).map(({ name, part }) => [name, part])).toEqual([['Mark', pair[0].id]]);
  expect((await getModel(s.instructor, model.id, 1)).revision.summary.parts).toBe(before.length);
  await reviseModel(s.instructor, model.id, async () => ({ files: [await buoyFile()], placement: { metresPerUnit: 2, up: '+z', turns: 0 } }));
  expect((await partsNow(model.id)).map(({ id, name }) => [id, name])).toEqual(after.map(({ id, name }) => [id, name]));
});

it('what is not there, or another’s, is refused in words', async () => {
  const { model } = await aModel(s.instructor);
  await expect(nameParts(s.instructor, model.id, { names: { nothing: 'A' }, merges: [] })).rejects.toMatchObject({
    field: 'parts',
    message: expect.stringContaining('no part'),
  });
  const other = await school(service);
  await expect(nameParts(other.instructor, model.id, { names: {}, merges: [] })).rejects.toMatchObject({ status: 404 });
  expect(await nameParts(s.instructor, model.id, { names: {}, merges: [] })).toEqual({ revision: 1 });
  expect((await getModel(s.instructor, model.id)).revision.revision).toBe(1);
});
