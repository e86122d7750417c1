import { invalid } from './errors';

/** The station's time zone: the one that is set, or the machine's. */
export function stationZone(set: string | undefined): string {
  const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
  if (!set) return timeZone;
  try {
    return new Intl.DateTimeFormat('en', { timeZone: set }).resolvedOptions().timeZone;
  } catch {
    throw invalid(`DIALHOME_TIME_ZONE must be the name of a time zone, such as Europe/Oslo, not "${set}".`);
  }
}

const formats = new Map<string, Intl.DateTimeFormat>();

/** The day of a moment in a time zone, yyyy-mm-dd. */
export function dayAt(at: Date, zone: string): string {
  const format = formats.get(zone) ?? new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' });
  formats.set(zone, format);
  return format.format(at);
}

/** The day of a date without a time, as the database gives it: yyyy-mm-dd. */
export const dayOf = (date: Date): string => new Date(date).toISOString().slice(0, 10);
