import { dayAt } from '@server/day';
import { describe, expect, it } from 'vitest';
import { attemptAt, dayBefore, STORY_DAYS } from './storyDays';

const ZONE = 'Europe/Oslo';
/** Every seven minutes of a day in autumn, whose story begins before the clocks are changed. */
const moments = Array.from({ length: 206 }, (_, n) => new Date(Date.UTC(2026, 10, 30, 22) + n * 7 * 60_000));

describe('the days of the story', () => {
  it('begin on the day of the first attempt, also when it is told some minutes after midnight', () => {
    for (const now of moments) expect(dayAt(new Date(attemptAt(0, 30, 0, now)), ZONE)).toBe(dayBefore(STORY_DAYS, now, ZONE));
  });

  it('end some minutes ago, and nobody came for a week', () => {
    const [now] = moments as [Date];
    const times = Array.from({ length: 30 }, (_, n) => attemptAt(n, 30, 0, now));
    expect(now.getTime() - (times.at(-1) as number)).toBe(6 * 60_000);
    const gaps = times.slice(1).map((at, i) => at - (times[i] as number));
    expect(Math.min(...gaps)).toBeGreaterThan(0);
    expect(Math.max(...gaps) / 86_400_000).toBeGreaterThan(7);
  });
});
