import { throughputOf } from '@core';
import { beforeEach, describe, expect, it } from 'vitest';
import { aModel, handInFor, toPublish } from '../tests/testService';
import { useSchool } from '../tests/useSchool';
import { assignExercise } from './assigning';
import { schemesCompared } from './comparing';
import { draftRead, makeExercise, publish, saveDraft } from './exercises';
import { progressOf } from './progress';

const { service, s } = useSchool();
let modelId: string;

beforeEach(async () => {
  modelId = (await aModel(s.instructor)).model.id;
});

const MOUSE = 'two-button-mouse';
const KEYS = 'keyboard-alone';

/** An exercise of the group, done by the trainee so many times under each scheme. */
async function done(times: Readonly<Record<string, number>>, title = 'Title'): Promise<string> {
  const id = await makeExercise(s.instructor, modelId);
  await saveDraft(s.instructor, id, { ...toPublish((await draftRead(s.instructor, id)).draft), title });
  await publish(s.instructor, id, [null]);
  await assignExercise(s.instructor, { groupId: s.group.id, exerciseId: id, dueOn: null });
  for (const [scheme, count] of Object.entries(times)) for (let i = 0; i < count; i++) await handInFor(s.trainee, id, scheme === KEYS ? 2.9 : 3, {}, scheme);
  return id;
}

const compared = async () => schemesCompared(s.trainee, await progressOf(s.trainee, s.trainee.who.id));

describe('schemes of a learner', () => {
  it('are not compared while there is one', async () => {
    await done({ [MOUSE]: 3 });
    expect(await compared()).toEqual([]);
  });

  it('are too few exercises at first: what is nearest is named, with the scheme that it wants', async () => {
    await done({ [MOUSE]: 3, [KEYS]: 3 });
    const near = await done({ [MOUSE]: 3, [KEYS]: 2 }, 'Nearly');
    const far = await done({ [MOUSE]: 4 }, 'Not yet');
    await done({ [KEYS]: 1 }, 'Neither');
    const [pair, ...more] = await compared();
    expect(more).toEqual([]);
    expect(pair).toMatchObject({ mine: { id: KEYS }, other: { id: MOUSE }, ratio: null });
    expect(pair?.exercises).toHaveLength(1);
    expect(pair?.toDo.map(({ exerciseId, title, scheme, times }) => [exerciseId, title, scheme.id, times])).toEqual([
      [near, 'Nearly', KEYS, 1],
      [far, 'Not yet', KEYS, 3],
    ]);
  });

  it('have a ratio from four exercises on, from how far each had to go and how near it came', async () => {
    for (let i = 0; i < 4; i++) await done({ [MOUSE]: 3, [KEYS]: 3 });
    const [pair] = await compared();
    const rows: { scheme_id: string; criterion: string; value: number; start_value: number | null }[] = await service
      .db('attempt_criteria as c')
      .join('attempts as a', 'a.id', 'c.attempt_id')
      .where('a.person_id', s.trainee.who.id)
      .select('a.scheme_id', 'c.criterion', 'c.value', 'c.start_value');
    const direction = rows.filter(({ criterion }) => criterion === 'direction');
    expect(direction).toHaveLength(24);
    // Both look 20 degrees down, from opposite sides.
    for (const row of direction) expect(row.start_value).toBeCloseTo((140 * Math.PI) / 180, 6);
    const ends = (scheme: string): number[] => direction.filter(({ scheme_id }) => scheme_id === scheme).map(({ value }) => value);
    expect(Math.max(...ends(MOUSE))).toBeLessThan(Math.min(...ends(KEYS)));
    expect(Math.max(...ends(KEYS))).toBeLessThan(0.3);
    expect(rows.filter(({ criterion, start_value }) => criterion === 'time' && start_value !== null)).toEqual([]);
    expect(pair?.exercises).toHaveLength(4);
    expect(pair?.ratio?.likely).toBeLessThan(1);
    expect(pair?.toDo).toEqual([]);
    // Direction alone is a part of it: the other ways only add.
    const ways = ends(MOUSE).map((end) => ({ key: 'd', start: (140 * Math.PI) / 180, end, full: 0 }));
    expect(pair?.exercises[0]?.other).toBeGreaterThanOrEqual(throughputOf([{ exerciseId: 'e', schemeId: MOUSE, seconds: 1, ways }]) ?? Number.NaN);
  });

  it('attempts of before lengths were kept take them from a later one; what is left out is left out', async () => {
    for (let i = 0; i < 4; i++) await done({ [MOUSE]: 3, [KEYS]: 3 });
    const [before] = await compared();
    await service.db.raw("update attempt_criteria c join attempts a on a.id = c.attempt_id set c.start_value = null where a.scheme_id = 'two-button-mouse'");
    expect((await compared())[0]).toEqual(before);
    await service.db('attempts').where({ scheme_id: KEYS, person_id: s.trainee.who.id }).limit(1).update({ counts: false });
    expect((await compared())[0]).toMatchObject({ ratio: null });
  });
});
