import type { Learner } from './learner';

const DAY = 86_400_000;

/** When learners were seen last, as it can be chosen. */
export const SEEN = {
  week: 'Seen in the last 7 days',
  notWeek: 'Not seen for 7 days',
  notFortnight: 'Not seen for 14 days',
  never: 'Never seen',
} as const;
export type Seen = keyof typeof SEEN;

/** Whether a learner was last seen then. `now`: when the page was made. */
export function isSeen(seen: Seen, { lastAt }: Pick<Learner, 'lastAt'>, now: string): boolean {
  if (lastAt === null) return seen !== 'week';
  const days = (Date.parse(now) - Date.parse(lastAt)) / DAY;
  if (seen === 'never') return false;
  if (seen === 'week') return days <= 7;
  return days > (seen === 'notWeek' ? 7 : 14);
}
