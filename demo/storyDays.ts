import { dayAt } from '@server/day';

const DAY = 86_400_000;
const MINUTE = 60_000;

/** Days of the story, and the week in its middle when a storm closed the station: nobody came. */
export const STORY_DAYS = 56;
const STORM = { from: 24, days: 7 };
/** So many attempts are made on a day when somebody comes, and so many minutes apart. */
const PER_DAY = 3;
const APART = 6;

/** The day so many days before the story's last, on which its first attempt was made: that of its last may not have begun yet. */
export const dayBefore = (days: number, now: Date, zone: string): string => dayAt(new Date(now.getTime() - days * DAY - PER_DAY * APART * MINUTE), zone);

/** When the nth attempt of `total` was made, days before the end of the story's last day: a few at a time, none in the storm. */
function daysAgo(n: number, total: number, away: number): number {
  const sessions = Math.max(1, Math.ceil(total / PER_DAY) - 1);
  const open = Math.round((Math.floor(n / PER_DAY) / sessions) * (STORY_DAYS - STORM.days - away));
  return STORY_DAYS - (open >= STORM.from ? open + STORM.days : open);
}

/** The moment, ms, of the nth attempt of `total`, by one who was last seen `away` days ago: the last some minutes ago, the others at the same hour of their days. */
export const attemptAt = (n: number, total: number, away: number, now: Date): number =>
  now.getTime() - daysAgo(n, total, away) * DAY - (PER_DAY - (n % PER_DAY)) * APART * MINUTE;
