import { dayAfter } from '../progress/days';
import type { Unit } from './courseSchema';

/** How a group goes through a course; days are yyyy-mm-dd where the station is. */
export interface CoursePlan {
  readonly startsOn: string;
  /** Days for a unit; null: units are due only where a day is set. */
  readonly pace: number | null;
  /** Days that were set for units, by unit. */
  readonly dues: Readonly<Record<string, string>>;
}

/** The day by which each unit should be done: the one that was set, or the last of its days by the pace. */
export function dueDaysOf(units: readonly Pick<Unit, 'id'>[], { startsOn, pace, dues }: CoursePlan): (string | null)[] {
  return units.map(({ id }, i) => dues[id] ?? (pace === null ? null : dayAfter(startsOn, pace * (i + 1) - 1)));
}

/** `early`: the course has not begun; `closed`: it waits for another unit; `done`: every exercise has a flash. */
export type UnitState = 'early' | 'closed' | 'open' | 'done';

export interface UnitStanding {
  readonly state: UnitState;
  /** The unit that it waits for, where it is closed. */
  readonly waitsFor: string | null;
  /** Exercises with a flash. */
  readonly flashed: number;
}

/** How a learner stands with the units of a course. `flashed`: whether an exercise has a flash; `today`: yyyy-mm-dd. */
export function unitStandings(
  units: readonly Pick<Unit, 'id' | 'name' | 'opensAfter' | 'exerciseIds'>[],
  { startsOn, today, flashed }: { readonly startsOn: string; readonly today: string; readonly flashed: (exerciseId: string) => boolean },
): UnitStanding[] {
  const isDone = (unit: Pick<Unit, 'exerciseIds'>): boolean => unit.exerciseIds.every(flashed);
  return units.map((unit) => {
    const waited = units.find(({ id }) => id === unit.opensAfter);
    const count = unit.exerciseIds.filter(flashed).length;
    if (today < startsOn) return { state: 'early', waitsFor: null, flashed: count };
    if (waited && !isDone(waited)) return { state: 'closed', waitsFor: waited.name, flashed: count };
    return { state: unit.exerciseIds.length > 0 && isDone(unit) ? 'done' : 'open', waitsFor: null, flashed: count };
  });
}
