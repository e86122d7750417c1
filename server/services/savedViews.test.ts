import { commandsToRecall, initialScene, type KeptScene } from '@core';
import { beforeAll, describe, expect, it } from 'vitest';
import { aModel, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { changeView, moveView, putViewBack, removeView, savedViewsRead, saveView, viewRemoved } from './savedViews';

const { s } = useSchool('all');
let modelId: string;
let scene: KeptScene;
beforeAll(async () => {
  const { model, revision } = await aModel(s.instructor);
  modelId = model.id;
  scene = { view: revision.home, section: { normal: [0, 0, 1], offset: 0.5 }, visibility: { 'buoy/tower': 'glass' }, style: 'outline' };
  const id = await makeExercise(s.instructor, modelId);
  const { draft } = await draftRead(s.instructor, id);
  await saveDraft(s.instructor, id, toPublish(draft));
  await publish(s.instructor, id, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
});

const view = (name: string, forAll = false) => ({ name, about: 'What to look at', forAll, scene });

describe('saved views', () => {
  it('come back as they were kept, with cut, visibility and style', async () => {
    const { id } = await saveView(s.instructor, modelId, view(' Lamp ', true));
    const [found] = await savedViewsRead(s.trainee, modelId);
    expect(found).toEqual({ id, name: 'Lamp', about: 'What to look at', forAll: true, mine: false, scene });
    expect(commandsToRecall({ ...initialScene(scene.view), ...scene }, found?.scene ?? scene)).toEqual([]);
    await removeView(s.instructor, id);
  });

  it('are seen by others only when they are for all, and changed by their maker alone', async () => {
    const mine = await saveView(s.trainee, modelId, view('mine'));
    const theirs = await saveView(s.instructor, modelId, view('theirs', true));
    expect((await savedViewsRead(s.instructor, modelId)).map((v) => v.name)).toEqual(['theirs']);
    expect((await savedViewsRead(s.trainee, modelId)).map((v) => [v.name, v.mine])).toEqual([
      ['theirs', false],
      ['mine', true],
    ]);
    await expect(changeView(s.trainee, theirs.id, { name: 'x' })).rejects.toMatchObject({ status: 403 });
    await expect(changeView(s.instructor, mine.id, { name: 'x' })).rejects.toMatchObject({ status: 404 });
    await expect(removeView(s.lead, theirs.id)).rejects.toMatchObject({ status: 403 });
    await expect(saveView(s.trainee, modelId, view('for all', true))).rejects.toMatchObject({ status: 403 });
    await changeView(s.trainee, mine.id, { name: 'renamed', about: '' });
    expect((await savedViewsRead(s.trainee, modelId))[1]).toMatchObject({ name: 'renamed', about: '' });
    await removeView(s.trainee, mine.id);
    await expect(changeView(s.trainee, mine.id, { name: 'x' })).rejects.toMatchObject({ status: 404 });
    expect(await viewRemoved(s.trainee, modelId)).toMatchObject({ id: mine.id, name: 'renamed' });
    expect(await viewRemoved(s.instructor, modelId)).toMatchObject({ name: 'Lamp' });
    await expect(putViewBack(s.instructor, mine.id)).rejects.toMatchObject({ status: 404 });
    await putViewBack(s.trainee, mine.id);
    expect((await savedViewsRead(s.trainee, modelId))[1]).toMatchObject({ id: mine.id, name: 'renamed' });
    await removeView(s.trainee, mine.id);
    await removeView(s.instructor, theirs.id);
    expect(await savedViewsRead(s.trainee, modelId)).toEqual([]);
  });

  it('keep the order that they are moved into', async () => {
    const ids = [];
    for (const name of ['a', 'b', 'c']) ids.push((await saveView(s.trainee, modelId, view(name))).id);
    const order = async () => (await savedViewsRead(s.trainee, modelId)).map((v) => v.name).join('');
    await moveView(s.trainee, ids[2] as string, -1);
    expect(await order()).toBe('acb');
    await moveView(s.trainee, ids[0] as string, -1);
    expect(await order()).toBe('acb');
    await moveView(s.trainee, ids[0] as string, 1);
    expect(await order()).toBe('cab');
    expect((await saveView(s.trainee, modelId, view('d'))).id).toBeTruthy();
    expect(await order()).toBe('cabd');
  });

  it('say at the field what is wrong with them', async () => {
    await expect(saveView(s.trainee, modelId, view('  '))).rejects.toMatchObject({ field: 'name', status: 422 });
    await expect(saveView(s.trainee, modelId, view('x'.repeat(61)))).rejects.toMatchObject({ field: 'name' });
    await expect(saveView(s.trainee, modelId, { ...view('x'), about: 'y'.repeat(301) })).rejects.toMatchObject({ field: 'about' });
    await expect(saveView(s.trainee, 'no-model', view('x'))).rejects.toMatchObject({ status: 404 });
    await expect(removeView(s.trainee, 'no-view')).rejects.toMatchObject({ status: 404 });
  });
});
