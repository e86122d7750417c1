const DAY = 86_400_000;

/** Whole days from one day to a later one, both yyyy-mm-dd. */
export const differenceInDays = (later: string, earlier: string): number => Math.round((Date.parse(later) - Date.parse(earlier)) / DAY);
