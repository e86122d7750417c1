import type { CourseContent, Unit } from './courseSchema';

type Change = (course: CourseContent) => CourseContent;

/** A unit never waits for one that stands behind it, or that is gone. */
function freed(units: readonly Unit[]): Unit[] {
  const before = new Set<string>();
  return units.map((unit) => {
    const waits = unit.opensAfter === null || before.has(unit.opensAfter);
    before.add(unit.id);
    return waits ? unit : { ...unit, opensAfter: null };
  });
}

const inUnits =
  (change: (units: readonly Unit[]) => readonly Unit[]): Change =>
  (course) => ({ ...course, units: freed(change(course.units)) });

const changed = (units: readonly Unit[], id: string, change: (unit: Unit) => Unit): Unit[] => units.map((unit) => (unit.id === id ? change(unit) : unit));

/** A list with one more item at a place; beyond its end: as the last. */
const withAt = <T>(list: readonly T[], item: T, at: number): T[] => [...list.slice(0, at), item, ...list.slice(at)];

export const addUnit = (id: string, name: string): Change => inUnits((units) => [...units, { id, name, about: '', opensAfter: null, exerciseIds: [] }]);
export const removeUnit = (id: string): Change => inUnits((units) => units.filter((unit) => unit.id !== id));
export const setUnit = (id: string, change: Partial<Omit<Unit, 'id'>>): Change => inUnits((units) => changed(units, id, (unit) => ({ ...unit, ...change })));

/** Moves a unit to a place in the order. */
export const moveUnit = (id: string, to: number): Change =>
  inUnits((units) => {
    const moved = units.find((unit) => unit.id === id);
    return moved
      ? withAt(
          units.filter((unit) => unit !== moved),
          moved,
          to,
        )
      : units;
  });

/** Puts an exercise to a place of a unit, from wherever it stands. */
export const moveExercise = (exerciseId: string, unitId: string, to: number): Change =>
  inUnits((units) =>
    units.map((unit) => {
      const others = unit.exerciseIds.filter((id) => id !== exerciseId);
      return { ...unit, exerciseIds: unit.id === unitId ? withAt(others, exerciseId, to) : others };
    }),
  );

export const removeExercise = (exerciseId: string): Change =>
  inUnits((units) => units.map((unit) => ({ ...unit, exerciseIds: unit.exerciseIds.filter((id) => id !== exerciseId) })));

/** Moves an exercise one place up or down, at the edge of its unit over into the next one. */
export function stepExercise(exerciseId: string, by: 1 | -1): Change {
  return (course) => {
    const at = course.units.findIndex((unit) => unit.exerciseIds.includes(exerciseId));
    const unit = course.units[at];
    if (!unit) return course;
    const to = unit.exerciseIds.indexOf(exerciseId) + by;
    if (to >= 0 && to < unit.exerciseIds.length) return moveExercise(exerciseId, unit.id, to)(course);
    const next = course.units[at + by];
    return next ? moveExercise(exerciseId, next.id, by > 0 ? 0 : next.exerciseIds.length)(course) : course;
  };
}
