import { describe, expect, it } from 'vitest';
import { rescheduled, type Schedule } from './schedule';

const DAY = 86_400_000;
const start = Date.UTC(2031, 4, 10, 9);
const attempt = (day: number, flashes: number, hour = 0) => ({ flashes, at: start + day * DAY + hour * 3_600_000, day: `2031-05-${10 + day}` });
const dueIn = ({ memory }: Schedule): number => Math.round((memory.due - start) / DAY);

describe('when to practise again', () => {
  it('comes later the better it went', () => {
    const days = [0, 1, 2, 3].map((flashes) => dueIn(rescheduled(null, attempt(0, flashes))));
    expect(days[0]).toBe(1);
    expect([...days].sort((a, b) => a - b)).toEqual(days);
    expect(days[3]).toBeGreaterThan(5);
  });

  it('comes later each time that it goes well, and soon again when it does not', () => {
    const first = rescheduled(null, attempt(0, 2));
    const second = rescheduled(first, attempt(dueIn(first), 2));
    expect(dueIn(second) - dueIn(first)).toBeGreaterThan(dueIn(first));
    const forgotten = rescheduled(second, attempt(dueIn(first) + 1, 0));
    expect(dueIn(forgotten)).toBeLessThan(dueIn(second));
    expect(forgotten.memory.lapses).toBe(1);
  });

  it('takes a day as one review by its best, in whatever order the attempts came', () => {
    const once = rescheduled(null, attempt(0, 3));
    expect(rescheduled(rescheduled(null, attempt(0, 3)), attempt(0, 0, 1))).toEqual(once);
    expect(rescheduled(rescheduled(null, attempt(0, 1)), attempt(0, 3, 1)).memory).toEqual(once.memory);
    expect(rescheduled(rescheduled(rescheduled(null, attempt(0, 0)), attempt(0, 1, 1)), attempt(0, 3, 2)).memory.reps).toBe(1);
  });
});
