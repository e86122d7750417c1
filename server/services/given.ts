import { dayAfter, dayWords, dueDaysOf, type Unit, type UnitStanding, unitStandings } from '@core';
import type { Database } from '../database';
import { dayAt } from '../day';
import { newId } from '../ids';
import { flashedBy } from '../repositories/attempts';
import { coursesOfGroups, coursesOfPerson, type GivenCourse } from '../repositories/courses';
import { type Assigned, addAssignments, assignmentsOfGroup, assignmentsOfPerson, latestVersions, unassign } from '../repositories/exercises';
import { extraDaysOf } from '../repositories/notes';
import type { RequestContext } from '../service';

/** Brings what a group is assigned in line with its courses: what they hold is there, what came by a course that is gone goes. */
export async function fitGroup(tx: Database, groupId: string): Promise<void> {
  const [courses, present, versions] = await Promise.all([coursesOfGroups(tx, [groupId]), assignmentsOfGroup(tx, groupId), latestVersions(tx)]);
  const wanted = new Set(courses.flatMap(({ content }) => content.units.flatMap(({ exerciseIds }) => exerciseIds)));
  const there = new Set(present.map(({ exerciseId }) => exerciseId));
  for (const { exerciseId, alone } of present) if (!alone && !wanted.has(exerciseId)) await unassign(tx, groupId, exerciseId);
  const last = Math.max(-1, ...present.map(({ position }) => position));
  const missing = [...wanted].flatMap((exerciseId) => {
    const version = versions.get(exerciseId) ?? 0;
    return version > 0 && !there.has(exerciseId) ? [{ exerciseId, version }] : [];
  });
  await addAssignments(
    tx,
    missing.map((each, i) => ({ id: newId(), groupId, ...each, position: last + 1 + i, dueOn: null, alone: false })),
  );
}

const later = (day: string | null, days: number): string | null => (day === null ? null : dayAfter(day, days));

/** What somebody is assigned, in the order of its courses and then as it came, each with the day by which it should be done. */
export interface InOrder {
  readonly exerciseId: string;
  readonly title: string;
  readonly version: number;
  readonly alone: boolean;
  readonly dueOn: string | null;
  /** The first day on which it can be practised; null: any day. */
  readonly from: string | null;
}

/**
 * A day that was set for the exercise itself goes before that of its unit; of two courses the earlier one counts. `extra`:
 * days by which everything is due later.
 */
export function inOrder(assignments: readonly Assigned[], courses: readonly GivenCourse[], extra = 0): InOrder[] {
  const byId = new Map(assignments.map((each) => [each.exerciseId, each]));
  const found = new Map<string, InOrder>();
  const earlier = (a: string | null, b: string | null): string | null => (a === null || (b !== null && b < a) ? b : a);
  for (const { content, plan } of courses) {
    const dues = dueDaysOf(content.units, plan);
    for (const [i, unit] of content.units.entries())
      for (const exerciseId of unit.exerciseIds) {
        const assigned = byId.get(exerciseId);
        if (!assigned) continue;
        const { title, version, alone } = assigned;
        const before = found.get(exerciseId);
        const dueOn = assigned.dueOn ?? earlier(before?.dueOn ?? null, dues[i] ?? null);
        found.set(exerciseId, { exerciseId, title, version, alone, dueOn, from: alone ? null : earlier(before?.from ?? null, plan.startsOn) });
      }
  }
  const rest = assignments.filter(({ exerciseId }) => !found.has(exerciseId));
  const all = [...found.values(), ...rest.map(({ exerciseId, title, version, alone, dueOn }) => ({ exerciseId, title, version, alone, dueOn, from: null }))];
  return all.map((each) => ({ ...each, dueOn: later(each.dueOn, extra) }));
}

export interface UnitSeen {
  readonly unit: Unit;
  readonly dueOn: string | null;
  readonly standing: UnitStanding;
}

/** A course as a learner stands with it. */
export interface CourseSeen {
  readonly courseId: string;
  readonly name: string;
  readonly about: string;
  readonly startsOn: string;
  readonly units: readonly UnitSeen[];
}

/** How one stands with courses; exercises that are not assigned, since they were not published yet, are left out. */
function coursesStanding(
  courses: readonly GivenCourse[],
  assigned: readonly { readonly exerciseId: string }[],
  { today, flashed, extra }: { readonly today: string; readonly flashed: (exerciseId: string) => boolean; readonly extra: number },
): CourseSeen[] {
  const has = new Set(assigned.map(({ exerciseId }) => exerciseId));
  return courses.map(({ courseId, content, plan }) => {
    const units = content.units.map((unit) => ({ ...unit, exerciseIds: unit.exerciseIds.filter((id) => has.has(id)) }));
    const dues = dueDaysOf(units, plan);
    const standings = unitStandings(units, { startsOn: plan.startsOn, today, flashed });
    return {
      courseId,
      name: content.name,
      about: content.about,
      startsOn: plan.startsOn,
      units: units.map((unit, i) => ({ unit, dueOn: later(dues[i] ?? null, extra), standing: standings[i] as UnitStanding })),
    };
  });
}

/** Exercises that one cannot practise yet, each with the reason as a sentence. `alone`: given by themselves, and always open. */
function closedIn(courses: readonly CourseSeen[], alone: ReadonlySet<string>): Map<string, string> {
  const closed = new Map<string, string>();
  const open = new Set(alone);
  for (const { name, startsOn, units } of courses)
    for (const { unit, standing } of units)
      for (const id of unit.exerciseIds) {
        if (standing.state === 'open' || standing.state === 'done') open.add(id);
        else
          closed.set(
            id,
            standing.waitsFor === null ? `“${name}” begins on ${dayWords(startsOn)}.` : `It opens when every exercise of “${standing.waitsFor}” has a flash.`,
          );
      }
  for (const id of open) closed.delete(id);
  return closed;
}

export interface Given {
  readonly assigned: readonly InOrder[];
  readonly courses: readonly CourseSeen[];
  /** Exercises that cannot be practised yet, each with the reason as a sentence. */
  readonly closed: ReadonlyMap<string, string>;
}

/**
 * What a person is assigned, with their courses and what of them is closed. `flashed`: exercises with a flash; asked of the
 * attempts where they are not known.
 */
export async function givenTo(asked: RequestContext, personId: string, flashed?: ReadonlySet<string>): Promise<Given> {
  const [assigned, courses, days] = await Promise.all([
    assignmentsOfPerson(asked.db, personId),
    coursesOfPerson(asked.db, personId),
    extraDaysOf(asked.db, [personId]),
  ]);
  const extra = days.get(personId) ?? 0;
  const known = flashed ?? (await flashedBy(asked.db, personId));
  const seen = coursesStanding(courses, assigned, { today: dayAt(asked.now(), asked.zone), flashed: (id) => known.has(id), extra });
  const alone = new Set(assigned.flatMap((each) => (each.alone ? [each.exerciseId] : [])));
  return { assigned: inOrder(assigned, courses, extra), courses: seen, closed: closedIn(seen, alone) };
}
