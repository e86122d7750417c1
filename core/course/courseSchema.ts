import { z } from 'zod';

/** Most units of a course, and most exercises of a unit. */
const MOST_UNITS = 40;
const MOST_IN_UNIT = 60;

const id = z.string().min(1).max(64);

/** A part of a course: exercises in an order, with a text about them. */
const unitSchema = z.object({
  id,
  name: z.string().trim().min(1, 'give the unit a name').max(80, 'keep the name under 80 characters'),
  /** Markdown. */
  about: z.string().trim().max(2000, 'keep the text under 2000 characters'),
  /** The unit before it whose exercises must each have a flash before it opens; null: it is open from the start. */
  opensAfter: id.nullable(),
  exerciseIds: z.array(id).max(MOST_IN_UNIT, `a unit has at most ${MOST_IN_UNIT} exercises`),
});

/** What a course is made of. */
export const courseSchema = z
  .object({
    name: z.string().trim().min(1, 'give the course a name').max(120, 'keep the name under 120 characters'),
    /** Markdown. */
    about: z.string().trim().max(2000, 'keep the text under 2000 characters'),
    /** The level from which a skill counts as mastered. */
    threshold: z.number().int('write a whole number').min(50, 'write 50 or more').max(99, 'write 99 or less'),
    units: z.array(unitSchema).max(MOST_UNITS, `a course has at most ${MOST_UNITS} units`),
  })
  .superRefine(({ units }, context) => {
    const seen = new Set<string>();
    const before = new Set<string>();
    for (const [i, unit] of units.entries()) {
      const fault = (field: string, message: string): void => context.addIssue({ code: 'custom', path: ['units', i, field], message });
      if (before.has(unit.id)) fault('id', 'two units have the same id');
      if (unit.opensAfter !== null && !before.has(unit.opensAfter)) fault('opensAfter', 'a unit opens after one that stands before it');
      before.add(unit.id);
      for (const exerciseId of unit.exerciseIds) {
        if (seen.has(exerciseId)) fault('exerciseIds', 'an exercise stands once in a course');
        seen.add(exerciseId);
      }
    }
  });

export type Unit = z.infer<typeof unitSchema>;
export type CourseContent = z.infer<typeof courseSchema>;
