const DAY = 86_400_000;

/** Whole days from one day to a later one, both yyyy-mm-dd. */
export const differenceInDays = (later: string, earlier: string): number => Math.round((Date.parse(later) - Date.parse(earlier)) / DAY);

/** The day that comes so many days after another. */
export const dayAfter = (day: string, days: number): string => new Date(Date.parse(day) + days * DAY).toISOString().slice(0, 10);

const long = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' });
const short = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });

/** A day as it is said: yyyy-mm-dd gives "3 December". */
export const dayWords = (day: string): string => long.format(new Date(day));

/** A day where there is little room: "3 Dec". */
export const dayShort = (day: string): string => short.format(new Date(day));
