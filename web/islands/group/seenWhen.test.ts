import { expect, it } from 'vitest';
import { isSeen, SEEN, type Seen } from './seenWhen';

const NOW = '2031-05-20T12:00:00.000Z';
const seenAt = (lastAt: string | null): string[] => (Object.keys(SEEN) as Seen[]).filter((seen) => isSeen(seen, { lastAt }, NOW));

it.each([
  ['2031-05-20T11:00:00.000Z', ['week']],
  ['2031-05-13T12:00:00.000Z', ['week']],
  ['2031-05-13T11:59:00.000Z', ['notWeek']],
  ['2031-05-06T12:00:00.000Z', ['notWeek']],
  ['2031-05-06T11:59:00.000Z', ['notWeek', 'notFortnight']],
  [null, ['notWeek', 'notFortnight', 'never']],
])('who was last here at %s stands under %j', (lastAt, under) => {
  expect(seenAt(lastAt)).toEqual(under);
});
